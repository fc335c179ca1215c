/** Water that stays behind a pop-up after the rain: from its lid back to where the pipe's invert meets that level. */
import { OUTFALLS } from '../catalogue/outfalls';
import { SOIL_FACTS, USUAL_SOIL } from '../catalogue/soils';
import { flowArea } from '../hydraulics/backwater';
import { intoSoil, throughHole } from '../hydraulics/drainDown';
import { keptOf, type Job } from '../job/job';
import { diameterOf, type Discharge } from '../job/kinds';
import { LEVEL_TOLERANCE } from '../numeric/tolerance';
import type { Layout } from './layout';
import { byId, type StandingWater } from './solution';
import { step } from '../numeric/kept';

/** Weep holes at the foot of a pop-up: two of 3/8 in; and the pocket of stone under them that wets so much soil, m². */
const WEEP_HOLES = 2 * (Math.PI / 4) * 0.009525 ** 2;
const WEEP_POCKET = 0.25;
/** Slices in which the water of a sloping pipe is summed. */
const SLICES = 16;

interface InPipe {
  length: number;
  volume: number;
}

/** What stands in one pipe between two inverts (m) under water at `level`. */
function inPipe(length: number, up: number, down: number, diameter: number, level: number): InPipe {
  const wet = up <= level ? length : (length * (level - down)) / (up - down);
  const top = down + ((up - down) * wet) / length;
  let volume = 0;
  for (let k = 0; k < SLICES; k++) {
    const invert = down + ((top - down) * (k + 0.5)) / SLICES;
    volume += (flowArea(Math.max(1e-9, level - invert), diameter) * wet) / SLICES;
  }
  return { length: wet, volume };
}

/** Time (s) until so much water has drained; null where nothing drains it. */
function drainTime({ drain }: Discharge, volume: number, depth: number): number | null {
  if (!drain) return null;
  const { conductivity } = SOIL_FACTS[drain.soil ?? USUAL_SOIL];
  if (drain.type === 'leach') return intoSoil(volume, drain.area, conductivity);
  return Math.max(throughHole(volume, depth, WEEP_HOLES), intoSoil(volume, WEEP_POCKET, conductivity));
}

/** What stands at a level (m) in all the pipes behind a way out, and the lowest invert among them. */
function behind({ tree, levels }: Layout, at: number, level: number): InPipe & { lowest: number } {
  const all = { length: 0, volume: 0, lowest: Number.POSITIVE_INFINITY };
  const left = [at];
  for (let next = left.pop(); next !== undefined; next = left.pop()) {
    for (const index of tree.arriving[next]!) {
      const run = tree.runs[index]!;
      const diameter = diameterOf(run);
      const [up, down] = [levels.crownUp[index]! - diameter, levels.crownDown[index]! - diameter];
      if (Math.min(up, down) >= level - LEVEL_TOLERANCE) continue;
      const part = inPipe(run.length, Math.max(up, down), Math.min(up, down), diameter, level);
      const side = run.parallel ?? 1;
      all.length += part.length;
      all.volume += part.volume * side;
      all.lowest = Math.min(all.lowest, up, down);
      left.push(tree.upper[index]!);
    }
  }
  return all;
}

interface Read {
  layout: Layout;
  /** What always runs, m³/s by landing. */
  always: ReadonlyMap<string, number>;
}

const standing = step('standing', ({ layout, always }: Read): Readonly<Record<string, StandingWater>> => {
  const { tree } = layout;
  const found = byId<StandingWater>();
  const fedOutlets = new Set<number>();
  for (const [id, flow] of always) {
    const at = tree.indexOf.get(id);
    if (flow > 0 && at !== undefined) fedOutlets.add(tree.outlet[at]!);
  }
  tree.landings.forEach((discharge, at) => {
    if (discharge.kind !== 'discharge' || OUTFALLS[discharge.form].drainsDry) return;
    const { length, volume, lowest } = behind(layout, at, discharge.groundLevel);
    const depth = discharge.groundLevel - lowest;
    if (length <= 0 || depth <= LEVEL_TOLERANCE) return;
    found[discharge.id] = {
      depth,
      length,
      volume,
      fed: fedOutlets.has(at),
      drainTime: drainTime(discharge, volume, depth),
    };
  });
  return found;
});

/** Water that stays behind each way out that does not drain dry. */
export const standingWater = (job: Job, read: Read): Readonly<Record<string, StandingWater>> =>
  keptOf(job).ask(standing, read);
