/** Lays out whole plans for a job off the page's path, in a worker of its own; and moves their lines. */
import { Elements, ofKind, wayOfRun, type Change, type Element, type Job, type Place } from '@katabasis/core';
import {
  cutOffWords,
  lackWords,
  liesElsewhere,
  Moving,
  proposalSaid,
  proposalsFor,
  reworked,
  throughSaid,
  withFreshIds,
  type Aim,
  type Asked,
  type Bar,
  type Grip,
  type Moved,
  type Proposal,
  type Proposals,
  type Through,
  type ThroughSaid,
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
  /** Lines that are laid, each with its size, m, whether it is new, and whether it lies elsewhere than those of the first proposal. */
  lines: readonly { id: string; way: readonly Place[]; nominal: number; isNew: boolean; isOther: boolean }[];
  /** Wyes, basins and the like that are new. */
  marks: readonly Place[];
  change: Change;
  /** Whether somebody moved a line of it. */
  isMoved: boolean;
}

/** A line by another way, or what bars it. */
export interface LookedAt {
  through: Through | null;
  bar: Bar | null;
  said: ThroughSaid;
}

export interface ProposalsTold {
  found: readonly ProposalTold[];
  missing: readonly string[];
  /** All that could be led off, with what is left out. */
  couldBe: Proposals['wanted']['couldBe'];
  /** Layouts that are done, and whether those are all. */
  done: number;
  isOver: boolean;
}

function toldOf(job: Job, all: Proposals, proposal: Proposal, isMoved: boolean): ProposalTold {
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
      if (!way) return [];
      const { id, nominal } = run;
      return [{ id, way, nominal, isNew: !job.elements.has(id), isOther: liesElsewhere(way, all.found[0]!) }];
    }),
    marks: then.elements.all.flatMap((element) =>
      (element.kind === 'junction' || element.kind === 'basin') && element.place && !job.elements.has(element.id)
        ? [element.place]
        : [],
    ),
    change: withFreshIds(job, change),
    isMoved,
  };
}

const told = (job: Job, all: Proposals, isOver: boolean): ProposalsTold => ({
  found: all.found.map((proposal) => toldOf(job, all, proposal, false)),
  missing: all.missing.map(lackWords),
  couldBe: all.wanted.couldBe,
  done: all.laid.length,
  isOver,
});

/** What was asked last: plans as they were laid out, as they are after lines were moved, and what moves them. */
interface Now {
  job: Job;
  all: Proposals;
  moved: Map<Aim, Proposal>;
  moving: Map<Aim, Moving | null>;
}
let now: Now | null = null;

const proposalIn = ({ all, moved }: Now, aim: Aim): Proposal | undefined =>
  moved.get(aim) ?? all.found.find((each) => each.aim === aim);

function movingOf(aim: Aim): { moving: Moving; proposal: Proposal } | null {
  const proposal = now && proposalIn(now, aim);
  if (!now || !proposal) return null;
  if (!now.moving.has(aim)) now.moving.set(aim, Moving.of(proposal, now.job, now.all.wanted.asked.notHere));
  const moving = now.moving.get(aim);
  return moving ? { moving, proposal } : null;
}

const lookedAt = (proposal: Proposal, found: Through | Bar): LookedAt => ({
  through: 'ways' in found ? found : null,
  bar: 'ways' in found ? null : found,
  said: throughSaid(proposal, found),
});

/** Asks that nobody wants any more. */
const off = new Set<number>();

const worker = {
  /** Tells what is found after each layout; ends when all are laid out, or it is called off. */
  propose: async (
    sent: { id: string; elements: readonly Element[] },
    ask: number,
    asked: Asked,
    onFound: (found: ProposalsTold) => void | Promise<void>,
  ): Promise<void> => {
    const job: Job = { id: sent.id, elements: Elements.of(sent.elements) };
    const mine: { moved: Now['moved']; moving: Now['moving'] } = { moved: new Map(), moving: new Map() };
    now = null;
    for (const all of proposalsFor(job, asked)) {
      now = { job, all, ...mine };
      // What nobody has moved may be another by now.
      for (const aim of mine.moving.keys()) if (!mine.moved.has(aim)) mine.moving.delete(aim);
      // Waited for: it lets a call-off in, and the last comes before the end.
      await onFound(told(job, all, false));
      if (off.delete(ask)) return;
    }
    if (now) await onFound(told(job, now.all, true));
  },
  callOff: (ask: number): void => void off.add(ask),

  /** What is nearest to a place and can be moved. */
  gripAt: (aim: Aim, place: Place): Grip | null => movingOf(aim)?.moving.nearest(place) ?? null,
  /** What is held, or any line, through a place. */
  through: (aim: Aim, place: Place, held: string | null): LookedAt | null => {
    const on = movingOf(aim);
    return on && lookedAt(on.proposal, on.moving.through(place, held ?? undefined));
  },
  /** A line drawn straight; null where something bars that, or it is. */
  straight: (aim: Aim, id: string): LookedAt | null => {
    const on = movingOf(aim);
    const found = on?.moving.straight(id);
    return on && found ? lookedAt(on.proposal, found) : null;
  },
  /** A plan with lines by other ways, one after another; null where one of them fits no more. */
  move: (aim: Aim, moves: readonly Moved[]): ProposalTold | null => {
    for (const each of moves) {
      const on = movingOf(aim);
      if (!now || !on?.moving.fits(each)) {
        worker.back(aim);
        return null;
      }
      now.moved.set(aim, reworked(now.job, now.all.wanted, on.proposal, on.moving.moved(each)));
      now.moving.delete(aim);
    }
    const proposal = now?.moved.get(aim);
    return now && proposal ? toldOf(now.job, now.all, proposal, true) : null;
  },
  /** What would be led off if only what comes through a line were. */
  ledBy: (aim: Aim, id: string): string[] => (now && movingOf(aim)?.moving.ledBy(id, now.all.wanted.ends)) ?? [],
  /** A plan as it was before lines of it were moved. */
  back: (aim: Aim): void => {
    now?.moved.delete(aim);
    now?.moving.delete(aim);
  },
};
export type ProposalsWorker = typeof worker;

expose(worker);
