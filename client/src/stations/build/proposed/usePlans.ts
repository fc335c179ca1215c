/** The plans that are proposed for the job, as they are laid out and as lines of them are moved. */
import type { Job } from '@katabasis/core';
import type { Asked } from '@katabasis/core/proposals';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useNoted } from '../../../input/useNoted';
import { askedPlans, NOTHING_MORE } from '../../../planning/askedPlans';
import { findProposals, putBack } from '../../../planning/proposals';
import type { ProposalsTold, ProposalTold } from '../../../planning/proposals.worker';
import { useJob } from '../../../planning/useJob';

type Aim = ProposalTold['aim'];

/** What was laid out, and lines that were moved in it. */
interface LaidOut {
  told: ProposalsTold | null;
  refused: string | null;
  /** No more are looked for, as somebody said so. */
  stopped: boolean;
  moved: ReadonlyMap<Aim, ProposalTold>;
}

const NOTHING: LaidOut = { told: null, refused: null, stopped: false, moved: new Map() };

export interface Plans extends Omit<LaidOut, 'moved'> {
  asked: Asked;
  ask: (next: (now: Asked) => Asked) => void;
  /** What is found, with its lines as they were moved. */
  found: readonly ProposalTold[];
  moved: (proposal: ProposalTold) => void;
  back: (aim: Aim) => void;
  stop: () => void;
}

/** Nothing of it is remembered from one asking to another: lines are moved in what was laid out last. */
export function usePlans(): Plans {
  const { job } = useJob();
  const [asked, ask] = useNoted(`plans ${job.id}`, askedPlans, NOTHING_MORE);
  const [last, setLaid] = useState<{ job: Job | null; asked: Asked; laid: LaidOut }>({
    job: null,
    asked,
    laid: NOTHING,
  });
  const control = useRef<AbortController | null>(null);
  const laid = last.job === job && last.asked === asked ? last.laid : NOTHING;
  const set = useCallback(
    (next: (now: LaidOut) => LaidOut): void =>
      setLaid((now) => ({ job, asked, laid: next(now.job === job && now.asked === asked ? now.laid : NOTHING) })),
    [job, asked],
  );
  useEffect(() => {
    const own = new AbortController();
    control.current = own;
    const say = (more: Partial<LaidOut>): void => {
      if (!own.signal.aborted) set((now) => ({ ...now, ...more }));
    };
    findProposals(job, asked, { signal: own.signal, give: (told) => say({ told }) }).catch((error: unknown) =>
      say({ refused: error instanceof Error ? error.message : String(error) }),
    );
    return () => own.abort();
  }, [job, asked, set]);
  const { moved, ...rest } = laid;
  return {
    ...rest,
    asked,
    ask,
    found: (laid.told?.found ?? []).map((each) => moved.get(each.aim) ?? each),
    moved: (proposal) => set((now) => ({ ...now, moved: new Map(now.moved).set(proposal.aim, proposal) })),
    back: (aim) => {
      void putBack(aim);
      set((now) => ({ ...now, moved: new Map([...now.moved].filter(([each]) => each !== aim)) }));
    },
    stop: () => {
      control.current?.abort();
      set((now) => ({ ...now, stopped: true }));
    },
  };
}
