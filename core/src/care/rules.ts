/** What of a job needs care: one entry a kind, with its dates and its reason. */
import { OUTFALLS } from '../catalogue/outfalls';
import { plusDays } from '../clearances/workingDays';
import { waysOf } from '../job/buildWays';
import { headOf, ofKind, type Job } from '../job/job';
import { isLaid } from '../job/kinds';
import type { Plan } from '../verdict/planJob';
import { storeOf } from '../works/store';
import { keepingOf, monthAfter, warrantyEnds, type Season } from './season';
import type { CareTask, CareWhen } from './task';

/** Days from laying to a first look in rain, and until a trench has settled. */
const FIRST_RAIN = 45;
const SETTLED = 90;

/** One kind of care: what of a job needs it; nothing where nothing does. */
type Rule = (job: Job, plan: Plan, season: Season) => Omit<CareTask, 'key'> | null;

const months = (...list: (number | null)[]): CareWhen => ({
  type: 'months',
  months: list.filter((month): month is number => month !== null),
});

const task = (
  of: readonly { id: string }[],
  rest: Omit<CareTask, 'key' | 'of' | 'customer' | 'afterStorms'> & Partial<CareTask>,
): Omit<CareTask, 'key'> | null =>
  of.length === 0 ? null : { customer: false, afterStorms: false, ...rest, of: of.map(({ id }) => id) };

export const RULES: Record<string, Rule> = {
  grates: (job, _plan, { leaves }) =>
    task([...ofKind(job, 'basin'), ...ofKind(job, 'channel')], {
      title: 'Clear the grates',
      plain: 'Rake leaves off the grates',
      why: 'A grate half covered takes half of its water; the rest goes where the ground sends it.',
      when: months(leaves, monthAfter(leaves, 1)),
      customer: true,
      afterStorms: true,
    }),
  sumps: (job, plan, { leaves, spring }) =>
    task(
      [
        ...ofKind(job, 'basin').filter(({ id }) => {
          const inlet = plan.inlets[id];
          return inlet?.kind === 'basin' && (inlet.sump ?? 0) > 0;
        }),
        ...ofKind(job, 'junction').filter(({ form }) => form === 'sedimentTrap'),
      ],
      {
        title: 'Empty the sumps',
        plain: 'Have the basins emptied',
        why: 'Full of grit, a sump keeps nothing more out of the line. What was scooped out says when it is due again.',
        when: months(monthAfter(leaves, 1), spring),
      },
    ),
  gutters: (job, _plan, { leaves }) =>
    task(ofKind(job, 'downspout'), {
      title: 'Gutters and leaf catchers',
      plain: 'Have the gutters cleaned',
      why: 'What lies in a gutter ends in the line, or sends its water over the edge beside the wall.',
      when: months(monthAfter(leaves, 1), monthAfter(leaves, 7)),
      customer: true,
    }),
  silting: (job, plan, { spring }) => {
    const silting = new Set(plan.snags.flatMap(({ code, at }) => (code === 'willSilt' ? [at] : [])));
    return task(
      ofKind(job, 'run').filter(({ id }) => silting.has(id)),
      {
        title: 'Flush the lines that do not clean themselves',
        plain: 'Have the flat lines flushed',
        why: 'An ordinary rain does not move the grit in them.',
        when: months(spring, monthAfter(spring, 6)),
      },
    );
  },
  lines: (job, plan, { spring }) => {
    const silting = new Set(plan.snags.flatMap(({ code, at }) => (code === 'willSilt' ? [at] : [])));
    return task(
      ofKind(job, 'run').filter((run) => isLaid(run) && !silting.has(run.id)),
      {
        title: 'Run water through every line',
        plain: 'Run a hose into each inlet and see that it comes out',
        why: 'What has begun to block shows in minutes, years before it floods.',
        when: months(spring),
        customer: true,
      },
    );
  },
  emitters: (job, _plan, { beforeFrost }) =>
    beforeFrost === null
      ? null
      : task(
          ofKind(job, 'discharge').filter(({ form }) => OUTFALLS[form].freezes),
          {
            title: 'Lids and kerb slots before frost',
            plain: 'See that the lids at the end lift and nothing lies on them',
            why: 'A lid that is stuck or frozen down holds the whole line full.',
            when: months(beforeFrost),
            customer: true,
          },
        ),
  outfalls: (job, _plan, { spring }) =>
    task(
      ofKind(job, 'discharge').filter(({ form }) => OUTFALLS[form].scours),
      {
        title: 'Ends in the open: guard, stone, washed soil',
        plain: 'Look at where the water comes out: nothing grown over, no soil washed away',
        why: 'A hole under the pipe’s end grows with every storm.',
        when: months(spring),
        customer: true,
        afterStorms: true,
      },
    ),
  barrels: (job, _plan, { beforeFrost, spring }) =>
    task(ofKind(job, 'barrel'), {
      title: 'Barrel valves: open for winter, shut in spring',
      plain: 'Empty the rain barrel before frost and leave its valve open; shut it in spring',
      why: 'Ice splits a full barrel, and its overflow freezes first.',
      when: months(beforeFrost, spring),
      customer: true,
    }),
  pumps: (job, _plan, { spring }) =>
    task(
      ofKind(job, 'discharge').filter(({ form }) => OUTFALLS[form].pumps),
      {
        title: 'Pump: float, alarm, check valve',
        plain: 'Pour a bucket into the pump basin: it starts, stops, and nothing runs back',
        why: 'It fails in the one storm in which it is needed.',
        when: months(spring, monthAfter(spring, 6)),
        customer: true,
      },
    ),
  stores: (job, _plan, { spring }) =>
    task(
      ofKind(job, 'discharge').filter((discharge) => storeOf(discharge)),
      {
        title: 'Time how fast it drains',
        plain: 'After a heavy rain, note how long its water stands',
        why: 'Its soil silts up; a second measurement says how fast.',
        when: months(spring),
        afterStorms: true,
      },
    ),
  swales: (job, _plan, { spring }) =>
    task(ofKind(job, 'swale'), {
      title: 'Swale: mown, no heaps, no ruts',
      plain: 'Keep the swale mown, and nothing dumped in it',
      why: 'Clippings and a mower’s ruts stand water where it should run.',
      when: months(spring, monthAfter(spring, 4)),
      customer: true,
    }),
  filters: (job, _plan, { leaves, spring }) =>
    waysOf(headOf(job).ways).leafFilters
      ? task(ofKind(job, 'downspout'), {
          title: 'Leaf filters at the downspouts',
          plain: 'Empty the leaf filters at the downspouts',
          why: 'A full one spills beside the wall.',
          when: months(spring, monthAfter(spring, 3), leaves, monthAfter(leaves, 1)),
          customer: true,
        })
      : null,
  firstRain: (job) => {
    const { laidOn } = keepingOf(job);
    return laidOn === undefined
      ? null
      : task([{ id: 'job' }], {
          title: 'Come back in real rain',
          plain: 'We come and look in a good rain',
          why: 'Only rain shows what the hose could not.',
          when: { type: 'once', on: plusDays(laidOn, FIRST_RAIN) },
        });
  },
  settled: (job) => {
    const { laidOn } = keepingOf(job);
    return laidOn === undefined
      ? null
      : task([{ id: 'job' }], {
          title: 'Trenches settled: top up, reseed',
          plain: 'We look whether the ground over the trenches has sunk',
          why: 'A sunk trench leads water along itself, back toward the house.',
          when: { type: 'once', on: plusDays(laidOn, SETTLED) },
        });
  },
  warranty: (job) => {
    const ends = warrantyEnds(job);
    return ends === null
      ? null
      : task([{ id: 'job' }], {
          title: 'Last look before the warranty ends',
          plain: `The warranty ends on ${ends}`,
          why: 'What is found now is still the company’s to mend.',
          when: { type: 'once', on: plusDays(ends, -30) },
        });
  },
  contract: (job) => {
    const { contract } = keepingOf(job);
    return contract === undefined
      ? null
      : task([{ id: 'job' }], {
          title: 'Yearly visit of the care contract',
          plain: 'Our yearly visit',
          why: 'Agreed, and paid for.',
          when: { type: 'every', days: 365, from: contract.from },
        });
  },
};
