/** Proposals in words: what each is, and why in two sentences; what lacks before anything can be proposed. */
import { headOf, nameOf, type Job } from '../job/job';
import { money } from '../price/words';
import { many, showLength, text } from '../units';
import { fullestIn } from './roomier';
import { AIM_LABELS, type Lack, type Laid, type Proposal, type Proposals } from './proposals';

/** What lacks, each as a sentence that says what to do. */
export function lackWords(lack: Lack): string {
  switch (lack) {
    case 'wayOut':
      return 'Put a way out on the plan first: the water needs somewhere to go.';
    case 'sources':
      return 'Nothing wants a line: put downspouts, inlets or levels with a low place on the plan first.';
    case 'rain':
      return 'Choose a rain: without one pipes are not sized, and no plan is told to hold.';
    case 'levels':
      return 'Take some levels: without them nobody can say whether a line falls, or where water stands.';
    case 'ways':
      return 'No trench comes to a way out from anywhere: walls and houses bar them all. Open a way, or put a way out where one can be dug to.';
  }
}

/** What a plan is made of, as its first sentence. */
function madeOf(job: Job, { layout, pipe }: Laid, { wanted }: Proposals): string {
  const { units } = headOf(job);
  const length = text(showLength(pipe, units));
  const wyes = layout.elements.filter(({ kind }) => kind === 'junction').length;
  const lines = many(wanted.ends.length, 'inlet');
  const basins = wanted.fresh.length > 0 ? ` ${many(wanted.fresh.length, 'new basin')} among them.` : '';
  if (wanted.ends.length === 1 || (wyes === 0 && layout.kind !== 'own'))
    return `${lines} led off by ${length} of pipe.${basins}`;
  switch (layout.kind) {
    case 'own':
      return `Each of ${lines} has a line of its own, ${length} of pipe in all.${basins}`;
    case 'apart':
      return `Roof water and yard water run in lines of their own, ${length} of pipe in all.${basins}`;
    case 'pumped':
    case 'joined':
    case 'spared':
    case 'short':
    case 'one':
    case 'roomier':
      return `${lines} joined by ${many(wyes, 'wye')}, ${length} of pipe in all.${basins}`;
  }
}

/** How near to the cheapest its trenches are known to be. */
function provedWords({ kind, gap }: Laid['layout']): string {
  if (kind === 'short' || kind === 'spared')
    return 'less deep or with less in its way, it costs less in all than the trenches that by themselves cost least.';
  if (gap === null) return 'that nothing cheaper exists is not proved.';
  if (gap < 5e-4) return 'no trenches over the same cells join these inlets for less.';
  return `no trenches over the same cells that join these inlets can be more than ${(100 * gap).toFixed(1)} % cheaper.`;
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** What speaks for it, as its second. */
function why(job: Job, proposal: Proposal, { laid, found }: Proposals): string {
  const { units } = headOf(job);
  const { standing, disturbs, aim, layout } = proposal;
  const least = found[0]!;
  const dearer = standing.asked - least.standing.asked;
  const more = money(Math.abs(dearer), standing.currency);
  if (layout.kind === 'pumped') {
    const byGravity = laid.find((each) => each.layout.kind !== 'pumped');
    return `Nothing falls far enough: ${byGravity ? byGravity.plan.verdict.sentence : 'no line reaches a way out.'} A pump lifts all of it to the nearest way out.`;
  }
  switch (aim) {
    case 'cost':
      if (layout.kind === 'short' && laid.some((each) => each.layout.kind === 'joined' && each.stops > 0))
        return 'Cheaper trenches go further round, and do not fall; this is the cheapest of the shorter ways that were tried.';
      return `The cheapest of ${many(laid.length, 'plan')} laid out here; ${provedWords(layout)}`;
    case 'disturbance':
      return `It goes through ${text(showLength(least.disturbs - disturbs, units))} less of roots, paving and services than the cheapest, for ${more} more.`;
    case 'reserve':
      if (layout.kind === 'roomier')
        return `Every pipe is a size larger than it must be: the fullest runs at ${percent(fullestIn(job, proposal.plan))} of what it carries, not at ${percent(fullestIn(job, least.plan))}, for ${more} more than the cheapest.`;
      return `A line that is full or blocked drowns no other, for ${more} more than the cheapest.`;
  }
}

export interface ProposalSaid {
  label: string;
  why: readonly [string, string];
}

export const proposalSaid = (job: Job, proposal: Proposal, all: Proposals): ProposalSaid => ({
  label: AIM_LABELS[proposal.aim],
  why: [madeOf(job, proposal, all), why(job, proposal, all)],
});

/** What no trench comes to, as a sentence; null where all is reached. */
export function cutOffWords(job: Job, { layout }: Laid): string | null {
  if (layout.cutOff.length === 0) return null;
  const names = layout.cutOff.map((id) => nameOf(job, id)).join(', ');
  return `No trench comes to ${names}: walls and houses bar every way. The rest is planned without.`;
}
