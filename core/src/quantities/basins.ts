/** A catch basin: its box brought to grade, its openings and plugs, its hole with stone under it, and a floor that weeps where it may. */
import { SOIL_FACTS, USUAL_SOIL } from '../catalogue/soils';
import { BOX_ROOM, BOX_WIDTH, BOXES, RISER, SEALANT, UNDER_BOX, WEEP_HOLES } from '../catalogue/supply';
import type { BuildWays } from '../job/buildWays';
import { headOf, ofKind, type Job } from '../job/job';
import { isNew, type Basin } from '../job/kinds';
import { footOnWay } from '../site/place';
import { METRES_PER_FOOT } from '../units/constants';
import type { Counting } from './counting';
import { makeOfFittings, openings } from './fittings';
import type { At } from './pipesAt';

/** Soil that takes the last of a basin's water, by its conductivity, m/s; and how near a building none is let into the ground, m. */
const DRAINS = 3e-6;
const NEAR_HOUSE = 10 * METRES_PER_FOOT;

/** Whether a basin's floor has weep holes: as was chosen, or where the soil drains and no building stands near. */
export function weeps(job: Job, { place }: Basin, { basinFloor }: BuildWays): boolean {
  if (basinFloor) return basinFloor === 'weep';
  if (SOIL_FACTS[headOf(job).soil ?? USUAL_SOIL].conductivity < DRAINS) return false;
  if (!place) return false;
  return ofKind(job, 'building').every(
    ({ outline }) => !outline || footOnWay([...outline, outline[0]!], place)!.distance > NEAR_HOUSE,
  );
}

export function countBasin({ landing: basin, pipes: met, invert, weeps: lets }: At<Basin>, counting: Counting): void {
  const { id, grate, count = 1, groundLevel, sumpDepth = 0 } = basin;
  const { body, ports } = BOXES[grate];
  const leaving = met.below;
  const pipes = [...met.above, ...(leaving ? [leaving] : [])];
  if (basin.here) {
    // Into a box that was here before only new pipe wants an opening.
    openings(pipes.filter(isNew), id, counting);
    return;
  }
  counting.add({ type: 'box', grate }, id, count);
  counting.add({ type: 'grate', grate }, id, count);
  const whole = invert === null ? body : groundLevel - invert + sumpDepth;
  counting.add({ type: 'riser', grate }, id, count * Math.max(0, Math.ceil((whole - body) / RISER - 1e-6)));
  openings(pipes, id, counting);
  const used = pipes.reduce((sum, { parallel = 1 }) => sum + parallel, 0);
  // Boxes side by side are joined by a piece of the pipe that leaves.
  const between = leaving ? 2 * (count - 1) : 0;
  if (leaving)
    counting.add({ type: 'boxOutlet', material: makeOfFittings(leaving), nominal: leaving.nominal }, id, between);
  const plugs = Math.max(0, count * ports - used - between);
  counting.add({ type: 'plug', grate }, id, plugs);
  counting.add({ type: 'sealant' }, id, SEALANT * (plugs + used + between));
  // Its hole, with stone under it.
  const across = BOX_WIDTH[grate];
  const hole = (across + 2 * BOX_ROOM) ** 2;
  const deep = Math.max(body, whole);
  const stone = hole * UNDER_BOX;
  const dug = hole * deep + stone;
  const kept = across ** 2 * deep + stone;
  counting.add({ type: 'stone', stone: 'angular' }, id, count * stone);
  counting.add({ type: 'dug' }, id, count * dug);
  counting.add({ type: 'spoil' }, id, count * kept);
  counting.add({ type: 'backfill' }, id, count * (dug - kept));
  if (!lets) return;
  counting.add({ type: 'weepHole' }, id, count * WEEP_HOLES);
  // Between the stone and the soil, up its sides.
  counting.add({ type: 'fabric' }, id, count * (hole + 4 * Math.sqrt(hole) * UNDER_BOX));
}
