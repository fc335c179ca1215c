/** What ends a line: a guard, an emitter with its elbow, a tap into a main, the store or pump that keeps or lifts the water, an apron of stone. */
import { STONE_FACTS } from '../catalogue/stone';
import { ofKind } from '../job/job';
import { isNew, type Discharge, type Run } from '../job/kinds';
import type { Counting } from './counting';
import type { Lines } from './fittings';

/** An apron where nobody has drawn one: so many pipe widths long and wide, and so thick, m. */
const APRON = { long: 6, wide: 3, thick: 0.2 };

export function countOutlets(lines: Lines, counting: Counting): void {
  for (const out of ofKind(lines.job, 'discharge')) {
    const runs = (lines.into.get(out.id) ?? []).filter(isNew);
    for (const run of runs) countEnd(out, run, counting);
    const widest = Math.max(0, ...(lines.into.get(out.id) ?? []).map(({ nominal }) => nominal));
    if (out.stone)
      counting.add({ type: 'stone', stone: 'apron' }, out.id, APRON.long * APRON.wide * APRON.thick * widest ** 2);
    countStore(out, counting);
    countPump(out, counting);
  }
}

function countEnd(out: Discharge, run: Run, counting: Counting): void {
  const { id, form, end, drain } = out;
  const { material, nominal, parallel = 1 } = run;
  if (form === 'popup') {
    counting.add({ type: 'emitter', nominal }, id, parallel);
    counting.add(
      drain?.type === 'leach'
        ? { type: 'leachTee', nominal }
        : { type: 'emitterElbow', nominal, ...(drain?.type === 'weep' ? { weep: true as const } : {}) },
      id,
      parallel,
    );
  } else if (form === 'kerb') counting.add({ type: 'kerbOutlet', nominal }, id, parallel);
  else if (form === 'main') {
    counting.add({ type: 'tapIn', nominal }, id, parallel);
    if ((out.mainMaterial ?? 'clay') !== material)
      counting.add({ type: 'boot', material, other: out.mainMaterial ?? 'clay', nominal }, id, parallel);
  }
  if (end === 'guard') counting.add({ type: 'guard', nominal }, id, parallel);
  if (end === 'grate') counting.add({ type: 'endGrate', nominal }, id, parallel);
}

/** A pit is dug as large as what holds its water, filled with stone where it is hollow only in part, and wrapped. */
function countStore({ id, form, store }: Discharge, counting: Counting): void {
  if (!store || form === 'pond') return;
  const { area, depth, cover, voids, perimeter = 4 * Math.sqrt(area) } = store;
  counting.add({ type: 'dug' }, id, area * (depth + cover));
  counting.add({ type: 'spoil' }, id, area * depth);
  if (form === 'rainGarden') return;
  counting.add({ type: 'backfill' }, id, area * cover);
  if (voids < 0.9)
    counting.add({ type: 'stone', stone: voids < STONE_FACTS.round.voids ? 'pea' : 'round' }, id, area * depth);
  counting.add({ type: 'fabric' }, id, perimeter * depth + 2 * area);
}

function countPump({ id, form, pump }: Discharge, counting: Counting): void {
  if (form !== 'pump' || !pump) return;
  counting.add({ type: 'pump' }, id);
  counting.add({ type: 'pumpBasin' }, id);
  if (pump.checkValve) counting.add({ type: 'checkValve' }, id);
  if (pump.alarm) counting.add({ type: 'pumpAlarm' }, id);
  if (pump.freezeOverflow) counting.add({ type: 'frostOverflow' }, id);
  counting.add({ type: 'pumpLine', nominal: pump.mainDiameter }, id, pump.mainLength);
}
