/** Explanations and next tests as a crew lead would say them. */
import { headOf, nameOf, type Job } from '../job/job';
import { showSmall, text, type UnitSystem } from '../units';
import type { Explanation } from './line/explain';
import { between } from './figures';
import { SHUT, type Fault } from './line/inLine';
import { MINUTES, type NextTest } from './line/nextTest';
import type { RainCause, RainExplained } from './rainVisit';
import type { Doable } from './line/tests';

/** How sure, in words: of all that would explain it. */
export function sure(belief: number): string {
  if (belief > 0.9) return 'Almost surely';
  if (belief > 0.6) return 'Most likely';
  return belief > 0.3 ? 'Likely' : belief > 0.1 ? 'Perhaps' : 'Hardly';
}

const SHARES = ['a little', 'a quarter', 'half', 'three quarters', 'nearly all'] as const;
const shareWords = (share: number): string => SHARES[Math.min(4, Math.round(share * 4))]!;

/** From the head of a pipe, in words. */
function place(job: Job, { where, best }: Explanation, units: UnitSystem): string {
  const run = where?.run ?? (best && 'run' in best ? best.run : null);
  if (run === null) return '';
  const element = job.elements.get(run);
  const head = element?.kind === 'run' ? nameOf(job, element.from) : '';
  const name = nameOf(job, run);
  return where ? `${between(where.from, where.to, units)} down from ${head} (${name})` : `in ${name}`;
}

/** What an explanation says: a short head and a sentence. */
export function explainedWords(job: Job, explained: Explanation): { title: string; says: string } {
  const { units } = headOf(job);
  const { best, cause } = explained;
  const at = place(job, explained, units);
  if (cause === 'sound' || best === null)
    return {
      title: 'Nothing wrong',
      says: 'A sound line gives such a reading now and then: test once more before anything is dug up.',
    };
  return { title: titleOf(best), says: saysOf(job, best, at, units) };
}

function titleOf(fault: Fault): string {
  switch (fault.kind) {
    case 'blocked':
      return fault.share >= SHUT ? 'Blocked or crushed' : 'Partly blocked or crushed';
    case 'rough':
      return 'Silted, or full of roots';
    case 'sag':
      return 'A belly in the pipe';
    case 'lifted':
      return 'A landing lies too high';
    case 'open':
      return 'A joint is open';
  }
}

function saysOf(job: Job, fault: Fault, at: string, units: UnitSystem): string {
  switch (fault.kind) {
    case 'blocked':
      return fault.share >= SHUT
        ? `Nothing gets past it: ${at}.`
        : `About ${shareWords(fault.share)} of the bore is shut, ${at}.`;
    case 'rough':
      return `All along ${nameOf(job, fault.run)} the water runs as if its walls were ${fault.times.toFixed(1)} times as rough.`;
    case 'sag':
      return `About ${text(showSmall(fault.depth, units))} deep, ${at}: it has to fill before water goes on, and never dries out.`;
    case 'lifted':
      return `${nameOf(job, fault.landing)} about ${text(showSmall(fault.by, units))} above its plan: what comes to it stands in the pipe until it is that high.`;
    case 'open':
      return `About ${shareWords(fault.share)} of the water is lost ${at}.`;
  }
}

/** What to do next, and why. */
export function nextWords(job: Job, { test, between: pair }: NextTest): { title: string; why: string } {
  const [one, other] = pair.map((each) => explainedWords(job, each).title.toLowerCase());
  return {
    title: doableWords(job, test),
    why: `It tells “${one}” from “${other}”, in some ${MINUTES[test.type]} minutes.`,
  };
}

export function doableWords(job: Job, test: Doable): string {
  switch (test.type) {
    case 'hose':
      return `Pour water into ${nameOf(job, test.way.from)}`;
    case 'levels':
      return `Read the invert at ${nameOf(job, test.landing)} again`;
    case 'hold':
      return `Plug ${nameOf(job, test.run)} at its foot, fill it and watch its water`;
    case 'camera':
      return `Send a camera or a rod into ${nameOf(job, test.run)}`;
  }
}

/** Why water stood deeper than it should, or less deep. */
export function rainCauseWords(job: Job, cause: RainCause): string {
  switch (cause.kind) {
    case 'asPlanned':
      return 'Nothing wrong: it rained harder for a while than the gauge tells';
    case 'soaked':
      return 'The ground was soaked before it began';
    case 'blocked':
      return `${nameOf(job, cause.id)}: ${cause.share === undefined || cause.share >= SHUT ? 'its grate was shut' : `${shareWords(cause.share)} of its grate was shut`}`;
    case 'stopped':
      return `${nameOf(job, cause.id)}: ${(cause.share ?? 1) > 0.9 ? 'stopped' : 'partly stopped'}`;
    default:
      return nameOf(job, cause.id);
  }
}

/** The likeliest of each kind at each thing: shares of one grate are one explanation. */
export function joinedCauses(ranked: readonly RainExplained[]): RainExplained[] {
  const found = new Map<string, RainExplained>();
  for (const each of ranked) {
    const key = 'id' in each.cause ? `${each.cause.kind} ${each.cause.id}` : each.cause.kind;
    const before = found.get(key);
    found.set(key, before ? { ...before, belief: before.belief + each.belief } : each);
  }
  return [...found.values()].sort((a, b) => b.belief - a.belief);
}
