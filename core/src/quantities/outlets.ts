/** What ends a line: a guard, an emitter with its elbow, a way into a main, the store or pump that keeps or lifts the water, an apron of stone. */
import { OUTFALLS } from '../catalogue/outfalls';
import { STONE_FACTS } from '../catalogue/stone';
import { DIGGER_FACTS } from '../catalogue/diggers';
import { CHAMBER, LAP } from '../catalogue/supply';
import { isNew, type Discharge, type Run } from '../job/kinds';
import { jointOf } from '../network/joints';
import { METRES_PER_FOOT, METRES_PER_INCH } from '../units/constants';
import { usualPump } from '../works/pumpBasin';
import { storeOf } from '../works/store';
import type { Counting } from './counting';
import { makeOfFittings, spliced } from './fittings';
import type { At } from './pipesAt';

/** An apron where nobody has drawn one: so many pipe widths long and wide, and so thick, m. */
const APRON = { long: 6, wide: 3, thick: 0.2 };
/** A leaching tee stands in stone of this depth, m: 18 in, its top as far under the lid. */
const TEE_STONE = 18 * METRES_PER_INCH;
/** Trench of a pump's line, m wide, and deep: 18 in. */
const LINE_WIDE = DIGGER_FACTS.excavator.least;
const LINE_DEEP = 18 * METRES_PER_INCH;
/** A main up to this size is spliced with a wye, m; a larger one is tapped. */
const SPLICED = 12 * METRES_PER_INCH;
/** Hollow that is more so than any stone is built of chambers. */
const HOLLOW = 0.9;

export function countOutlet({ landing: out, pipes: { above } }: At<Discharge>, counting: Counting): void {
  for (const run of above.filter(isNew)) countEnd(out, run, counting);
  const widest = Math.max(0, ...above.map(({ nominal }) => nominal));
  if (out.stone)
    counting.add({ type: 'stone', stone: 'apron' }, out.id, APRON.long * APRON.wide * APRON.thick * widest ** 2);
  if (out.here) return;
  countStore(out, counting);
  countPump(out, counting);
}

function countEnd(out: Discharge, run: Run, counting: Counting): void {
  const { id, form, end } = out;
  const { material, nominal, parallel = 1 } = run;
  if (form === 'popup') countPopup(out, run, counting);
  else if (form === 'kerb') counting.add({ type: 'kerbOutlet', nominal }, id, parallel);
  else if (form === 'main') for (let k = 0; k < parallel; k++) intoMain(out, run, counting);
  else if (OUTFALLS[form].inChannel || OUTFALLS[form].pumps || (OUTFALLS[form].store && !OUTFALLS[form].opensOut))
    counting.add({ type: 'inletSeal', material, nominal }, id, parallel);
  if (end === 'guard') counting.add({ type: 'guard', nominal }, id, parallel);
  if (end === 'grate') counting.add({ type: 'endGrate', nominal }, id, parallel);
}

function countPopup({ id, drain }: Discharge, { nominal, parallel = 1 }: Run, counting: Counting): void {
  counting.add({ type: 'emitter', nominal }, id, parallel);
  if (drain?.type !== 'leach') {
    const weep = drain?.type === 'weep' ? { weep: true as const } : {};
    counting.add({ type: 'emitterElbow', nominal, ...weep }, id, parallel);
    return;
  }
  counting.add({ type: 'leachTee', nominal }, id, parallel);
  // A square pit whose floor and sides are the soil that it wets: s² + 4 s h.
  const side = Math.sqrt(4 * TEE_STONE ** 2 + drain.area) - 2 * TEE_STONE;
  const stone = side ** 2 * TEE_STONE;
  counting.add({ type: 'dug' }, id, 2 * stone);
  counting.add({ type: 'stone', stone: 'angular' }, id, stone);
  counting.add({ type: 'fabric' }, id, 4 * side * TEE_STONE + 2 * side ** 2);
  counting.add({ type: 'spoil' }, id, stone);
  counting.add({ type: 'backfill' }, id, stone);
  counting.add({ type: 'turf' }, id, side ** 2);
}

/** How a line comes into a main: by a wye that is spliced into it, or by a tap where it is larger, or where that was chosen. */
export const intoMainBy = ({ joinedBy, mainDiameter }: Discharge): 'wye' | 'tap' =>
  joinedBy ?? (mainDiameter !== undefined && mainDiameter <= SPLICED + 1e-6 ? 'wye' : 'tap');

function intoMain(out: Discharge, run: Run, counting: Counting): void {
  const { id, mainMaterial = 'clay', mainDiameter = run.nominal } = out;
  const main = { material: mainMaterial, nominal: mainDiameter };
  if (intoMainBy(out) === 'tap') {
    counting.add({ type: 'tapIn', nominal: run.nominal }, id);
    if (mainMaterial !== run.material)
      counting.add({ type: 'boot', material: run.material, other: mainMaterial, nominal: run.nominal }, id);
    return;
  }
  const material = makeOfFittings(main);
  const branch = Math.min(mainDiameter, run.nominal);
  counting.add({ type: 'wye', material, nominal: mainDiameter, branch }, id);
  counting.add({ type: 'bend', material: run.material, nominal: branch, degrees: 45 }, id);
  spliced(main, id, counting);
  const { makes } = jointOf(run, { material, nominal: branch, old: undefined, perforated: undefined });
  if (makes)
    counting.add(
      { type: makes === 'boot' ? 'boot' : 'adapter', material: run.material, other: material, nominal: branch },
      id,
    );
  if (run.nominal > branch + 1e-6)
    counting.add({ type: 'reducer', material: run.material, nominal: run.nominal, branch }, id);
}

/** A pit is dug as large as what holds its water, filled with chambers or stone as it is hollow, and wrapped. */
function countStore(out: Discharge, counting: Counting): void {
  const store = storeOf(out);
  if (!store) return;
  const { id, form } = out;
  const { area, depth, cover, voids, perimeter = 4 * Math.sqrt(area) } = store;
  counting.add({ type: 'dug' }, id, area * (depth + cover));
  counting.add({ type: 'spoil' }, id, area * depth);
  if (form === 'rainGarden') return;
  counting.add({ type: 'backfill' }, id, area * cover);
  counting.add({ type: 'turf' }, id, area);
  if (voids < HOLLOW)
    counting.add({ type: 'stone', stone: voids < STONE_FACTS.round.voids ? 'pea' : 'round' }, id, area * depth);
  else counting.add({ type: 'chamber' }, id, Math.ceil((area * depth) / CHAMBER - 1e-6));
  counting.add({ type: 'fabric' }, id, perimeter * depth + 2 * area);
}

/** A pump with its basin, and its line in a trench of its own. */
function countPump(out: Discharge, counting: Counting): void {
  if (!OUTFALLS[out.form].pumps) return;
  const { id } = out;
  const pump = out.pump ?? usualPump(out.groundLevel);
  counting.add({ type: 'pump' }, id);
  counting.add({ type: 'pumpBasin' }, id);
  if (pump.checkValve) counting.add({ type: 'checkValve' }, id);
  if (pump.alarm) counting.add({ type: 'pumpAlarm' }, id);
  if (pump.freezeOverflow) counting.add({ type: 'frostOverflow' }, id);
  counting.add({ type: 'pumpLine', nominal: pump.mainDiameter }, id, pump.mainLength);
  // Its basin's hole, half again as wide as the basin, and the trench of its line.
  const hole = 1.5 * pump.area * Math.max(0, out.groundLevel - pump.stop + METRES_PER_FOOT);
  const basin = pump.area * Math.max(0, out.groundLevel - pump.stop + METRES_PER_FOOT);
  const trench = pump.mainLength * LINE_WIDE * LINE_DEEP;
  counting.add({ type: 'dug' }, id, hole + trench);
  counting.add({ type: 'spoil' }, id, basin);
  counting.add({ type: 'backfill' }, id, hole - basin + trench);
  counting.add({ type: 'turf' }, id, pump.mainLength * (LINE_WIDE + LAP));
}
