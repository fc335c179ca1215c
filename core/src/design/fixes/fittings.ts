/** Snags that another fitting, grate, gutter or downspout mends. */
import { DOWNSPOUT_LABELS, DOWNSPOUT_OPENINGS, DOWNSPOUT_SIZES } from '../../catalogue/downspouts';
import { GRATE_FACTS, GRATES } from '../../catalogue/grates';
import { GUTTER_FACTS, GUTTERS } from '../../catalogue/gutters';
import { basinPlan, downspoutPlan, type DownspoutPlan } from '../../inlets';
import { put } from '../../job/change';
import { elementOf } from '../../job/job';
import type { Basin } from '../../job/kinds';
import { spillingIn } from '../../snags/inlets/gutterSpills';
import { leftToSill } from '../../snags/inlets/blockedGrate';
import { METRES_PER_INCH } from '../../units/constants';
import { fixOfChange, type Fix, type FixRule } from './fix';

/** Most grates that a crew would set side by side. */
const MAX_GRATES = 6;

const teeLoaded: FixRule = {
  code: 'teeLoaded',
  candidates: (snag, job) => [
    fixOfChange(put('Make it a wye', { ...elementOf(job, 'junction', snag.at)!, form: 'wye' })),
  ],
};

const flatInMulch: FixRule = {
  code: 'flatInMulch',
  *candidates(snag, job) {
    const basin = elementOf(job, 'basin', snag.at)!;
    for (let count = 1; count <= MAX_GRATES; count++) {
      const label = count === 1 ? 'Set a 12 in dome' : `Set ${count} domes of 12 in`;
      yield fixOfChange(
        put(label, count === 1 ? { ...without(basin), grate: 'dome12' } : { ...basin, grate: 'dome12', count }),
      );
    }
  },
};

/** A basin with one grate. */
const without = ({ count: _many, ...basin }: Basin): Basin => basin;

/** A sump that grit settles in and that is emptied by hand, m: 6 in. */
const USUAL_SUMP = 6 * METRES_PER_INCH;

const sedimentTrapMissing: FixRule = {
  code: 'sedimentTrapMissing',
  candidates: (snag, job) => {
    const junction = elementOf(job, 'junction', snag.at);
    if (junction) return [fixOfChange(put('Make it a sediment trap', { ...junction, form: 'sedimentTrap' }))];
    const basin = elementOf(job, 'basin', snag.at);
    return basin ? [fixOfChange(put('Give it a sump', { ...basin, sumpDepth: USUAL_SUMP }))] : [];
  },
};

/** Most grates of a kind that a crew would set side by side before taking a larger one. */
const SIDE_BY_SIDE = 4;

/** Larger grates, smallest first, and then more of the present one. */
function* otherGrates(basin: Basin): Iterable<{ label: string; next: Basin }> {
  const larger = GRATES.filter((grate) => GRATE_FACTS[grate].openArea > GRATE_FACTS[basin.grate].openArea);
  for (const grate of larger.sort((a, b) => GRATE_FACTS[a].openArea - GRATE_FACTS[b].openArea))
    yield { label: `Set a ${GRATE_FACTS[grate].label} grate`, next: { ...basin, grate } };
  for (let count = (basin.count ?? 1) + 1; count <= (basin.count ?? 1) + SIDE_BY_SIDE; count++)
    yield { label: `Set ${count} of this grate`, next: { ...basin, count } };
}

const grateSmall: FixRule = {
  code: 'grateSmall',
  *candidates(snag, job, { inlets, settings }) {
    const { taken } = inlets[snag.at]!;
    for (const { label, next } of otherGrates(elementOf(job, 'basin', snag.at)!))
      if (basinPlan(next, { taken, waterLevel: null }, settings).ponding <= settings.ponding)
        yield fixOfChange(put(label, next));
  },
};

const blockedGrate: FixRule = {
  code: 'blockedGrate',
  *candidates(snag, job, { inlets, settings }) {
    const basin = elementOf(job, 'basin', snag.at);
    if (!basin) return;
    for (let count = (basin.count ?? 1) + 1; count <= MAX_GRATES; count++) {
      const next = { ...basin, count };
      if (leftToSill(next, inlets[snag.at]!.taken, settings) >= settings.openingMargin)
        yield fixOfChange(put(`Set ${count} of this grate`, next));
    }
  },
};

const downspoutSmall: FixRule = {
  code: 'downspoutSmall',
  *candidates(snag, job, { settings }): Iterable<Fix> {
    const downspout = elementOf(job, 'downspout', snag.at)!;
    for (const size of [...DOWNSPOUT_SIZES].sort((a, b) => DOWNSPOUT_OPENINGS[a] - DOWNSPOUT_OPENINGS[b])) {
      const next = { ...downspout, size };
      if (downspoutPlan(next, { offered: snag.figure }, settings).overshoot === 0)
        yield fixOfChange(put(`Hang a ${DOWNSPOUT_LABELS[size]} downspout`, next));
    }
  },
};

/** Larger ones and larger gutters on all that spill in a rain rarer than what they were hung for. */
const gutterSpills: FixRule = {
  code: 'gutterSpills',
  *candidates(_, job, solution) {
    const spilling = spillingIn(job, solution).map(([id]) => elementOf(job, 'downspout', id)!);
    const bySize = [...DOWNSPOUT_SIZES].sort((a, b) => DOWNSPOUT_OPENINGS[a] - DOWNSPOUT_OPENINGS[b]);
    for (const size of bySize) {
      const small = spilling.filter((each) => DOWNSPOUT_OPENINGS[each.size] < DOWNSPOUT_OPENINGS[size]);
      const label = `Hang ${DOWNSPOUT_LABELS[size]} downspouts where they spill`;
      if (small.length > 0) yield fixOfChange(put(label, ...small.map((each) => ({ ...each, size }))));
    }
  },
};

const valleyOvershoots: FixRule = {
  code: 'valleyOvershoots',
  *candidates(snag, job, { inlets, settings }) {
    const downspout = elementOf(job, 'downspout', snag.at)!;
    const now = inlets[snag.at] as DownspoutPlan;
    const { offered, gutterRun } = now.valley!;
    for (const gutter of GUTTERS.slice(GUTTERS.indexOf(now.gutter) + 1)) {
      const next = { ...downspout, gutter };
      const { valley } = downspoutPlan(next, { offered: 0, valley: { offered, gutterRun } }, settings);
      if (valley!.capacity >= offered) yield fixOfChange(put(`Hang a ${GUTTER_FACTS[gutter].label} gutter`, next));
    }
  },
};

export const fittings: readonly FixRule[] = [
  teeLoaded,
  flatInMulch,
  sedimentTrapMissing,
  grateSmall,
  blockedGrate,
  downspoutSmall,
  gutterSpills,
  valleyOvershoots,
];
