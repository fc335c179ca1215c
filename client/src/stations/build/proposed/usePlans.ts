/** The plans that are proposed for the job, as they are laid out and as lines of them are moved. */
import type { Job } from '@katabasis/core';
import type { Asked, Moved } from '@katabasis/core/proposals';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useNoted } from '../../../input/useNoted';
import { askedPlans, movedLines, NOTHING_MORE, NOTHING_MOVED, type MovedLines } from '../../../planning/askedPlans';
import { findProposals, moveLines, putBack } from '../../../planning/proposals';
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
  /** Lines that were moved before fit what is laid out now no more. */
  unfit: boolean;
}

const NOTHING: LaidOut = { told: null, refused: null, stopped: false, moved: new Map(), unfit: false };

export interface Plans extends Omit<LaidOut, 'moved'> {
  asked: Asked;
  ask: (next: (now: Asked) => Asked) => void;
  /** What is found, with its lines as they were moved. */
  found: readonly ProposalTold[];
  moved: (proposal: ProposalTold, by: Moved) => void;
  back: (aim: Aim) => void;
  /** Only some of what could be led off is. */
  only: (ids: readonly string[]) => void;
  /** A plan is taken: what was moved in it is drawn. */
  taken: () => void;
  stop: () => void;
}

/** Lines that were moved are kept on the device, and moved again in what is laid out anew, as far as they fit it. */
export function usePlans(): Plans {
  const { job } = useJob();
  const [asked, ask] = useNoted(`plans ${job.id}`, askedPlans, NOTHING_MORE);
  const [moves, noteMoves] = useNoted(`lines moved ${job.id}`, movedLines, NOTHING_MOVED);
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
  const settled = laid.told !== null && (laid.told.isOver || laid.stopped);
  useEffect(() => {
    if (!settled) return;
    let isLeft = false;
    const again = async (): Promise<void> => {
      for (const aim of new Set(moves.map((each) => each.aim))) {
        if (laid.moved.has(aim)) continue;
        const proposal = await moveLines(
          aim,
          moves.flatMap((each) => (each.aim === aim ? [each.moved] : [])),
        );
        if (isLeft) return;
        if (proposal) set((now) => ({ ...now, moved: new Map(now.moved).set(aim, proposal) }));
        else {
          set((now) => ({ ...now, unfit: true }));
          noteMoves((now) => without(now, aim));
        }
      }
    };
    void again();
    return () => void (isLeft = true);
  }, [settled, moves, laid.moved, set, noteMoves]);
  const { moved, ...rest } = laid;
  return {
    ...rest,
    asked,
    ask,
    found: (laid.told?.found ?? []).map((each) => moved.get(each.aim) ?? each),
    moved: (proposal, by) => {
      set((now) => ({ ...now, unfit: false, moved: new Map(now.moved).set(proposal.aim, proposal) }));
      // Before all is laid out what was moved in an earlier asking is not in it yet.
      noteMoves((now) => [...(settled ? now : without(now, proposal.aim)), { aim: proposal.aim, moved: by }]);
    },
    only: (ids) => {
      const others = (laid.told?.couldBe ?? []).flatMap(({ id }) => (ids.includes(id) ? [] : [id]));
      if (ids.length > 0) ask((now) => ({ ...now, leaveOut: others }));
    },
    taken: () => noteMoves(() => NOTHING_MOVED),
    back: (aim) => {
      void putBack(aim);
      noteMoves((now) => without(now, aim));
      set((now) => ({ ...now, moved: new Map([...now.moved].filter(([each]) => each !== aim)) }));
    },
    stop: () => {
      control.current?.abort();
      set((now) => ({ ...now, stopped: true }));
    },
  };
}

function without(moves: MovedLines, aim: Aim): MovedLines {
  const left = moves.filter((each) => each.aim !== aim);
  return left.length === 0 ? NOTHING_MOVED : left;
}
