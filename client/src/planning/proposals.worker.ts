/** Lays out whole plans for a job off the page's path, in a worker of its own. */
import { Elements, ofKind, wayOfRun, type Change, type Element, type Job, type Place } from '@katabasis/core';
import {
  cutOffWords,
  lackWords,
  proposalSaid,
  proposalsFor,
  withFreshIds,
  type Aim,
  type Proposal,
  type Proposals,
} from '@katabasis/core/proposals';
import { expose } from 'comlink';

export interface ProposalTold {
  aim: Aim;
  label: string;
  why: readonly [string, string];
  /** What is asked for it, least units, and its currency; crew hours of all steps. */
  asked: number;
  currency: string;
  hours: number;
  verdict: Proposal['plan']['verdict'];
  stops: number;
  fixes: number;
  /** m and m/m. */
  pipe: number;
  deepest: number | null;
  leastPitch: number | null;
  cutOff: string | null;
  /** Lines that are laid, each with its size, m, and whether it is new. */
  lines: readonly { way: readonly Place[]; nominal: number; isNew: boolean }[];
  /** Wyes, basins and the like that are new. */
  marks: readonly Place[];
  change: Change;
}

export interface ProposalsTold {
  found: readonly ProposalTold[];
  missing: readonly string[];
  /** Layouts that are done, and whether those are all. */
  done: number;
  isOver: boolean;
}

function told(job: Job, all: Proposals, isOver: boolean): ProposalsTold {
  return {
    found: all.found.map((proposal): ProposalTold => {
      const { aim, standing, plan, stops, fixes, pipe, change } = proposal;
      const then = proposal.job;
      return {
        aim,
        ...proposalSaid(job, proposal, all),
        asked: standing.asked,
        currency: standing.currency,
        hours: standing.hours,
        verdict: plan.verdict,
        stops,
        fixes,
        pipe,
        deepest: standing.deepest,
        leastPitch: standing.leastPitch,
        cutOff: cutOffWords(job, proposal),
        lines: ofKind(then, 'run').flatMap((run) => {
          const way = wayOfRun(then, run);
          return way ? [{ way, nominal: run.nominal, isNew: !job.elements.has(run.id) }] : [];
        }),
        marks: then.elements.all.flatMap((element) =>
          (element.kind === 'junction' || element.kind === 'basin') && element.place && !job.elements.has(element.id)
            ? [element.place]
            : [],
        ),
        change: withFreshIds(job, change),
      };
    }),
    missing: all.missing.map(lackWords),
    done: all.laid.length,
    isOver,
  };
}

/** Asks that nobody wants any more. */
const off = new Set<number>();

const worker = {
  /** Tells what is found after each layout; ends when all are laid out, or it is called off. */
  propose: async (
    sent: { id: string; elements: readonly Element[] },
    ask: number,
    onFound: (found: ProposalsTold) => void | Promise<void>,
  ): Promise<void> => {
    const job: Job = { id: sent.id, elements: Elements.of(sent.elements) };
    let last: Proposals | null = null;
    for (const all of proposalsFor(job)) {
      last = all;
      // Waited for: it lets a call-off in, and the last comes before the end.
      await onFound(told(job, all, false));
      if (off.delete(ask)) return;
    }
    if (last) await onFound(told(job, last, true));
  },
  callOff: (ask: number): void => void off.add(ask),
};
export type ProposalsWorker = typeof worker;

expose(worker);
