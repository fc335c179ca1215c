/** A job's pipes, laid out, as something that water runs through over time. */
import { GRATE_FACTS } from '../../catalogue/grates';
import { OUTFALLS, storeTop } from '../../catalogue/outfalls';
import type { Job } from '../../job/job';
import type { Landing } from '../../job/kinds';
import type { Layout } from '../../plan/layout';
import { pipesAsLaid, throatHead } from '../../plan/waterLine';
import { areaCovered, lengthOf } from '../../works/measures';
import { storeOf } from '../../works/store';
import { usualPump } from '../../works/pumpBasin';
import { PipeFlow } from './pipeFlow';
import type { PipeNode } from './pipeGrid';

/** Plan area of what stands at a landing where nothing is drawn wider: a riser or a box of a foot, m². */
const SHAFT = 0.07;
/** Share of stone that water fills. */
const VOIDS = 0.4;
/** Width of a drain's trench where nobody has said, m: a foot. */
const TRENCH = 0.3;

/** Surface of the water that stands in a landing, m²: of a basin its box, of a channel its bed, of stone its voids. */
export function areaOf(landing: Landing): number {
  switch (landing.kind) {
    case 'basin': {
      const side = GRATE_FACTS[landing.grate].weirLength / 4;
      return side * side * (landing.count ?? 1);
    }
    case 'channel':
      return landing.width * landing.length;
    case 'stoneDrain':
      return Math.max(SHAFT, VOIDS * landing.width * lengthOf(landing));
    case 'drain':
      return Math.max(SHAFT, VOIDS * (landing.trenchWidth ?? TRENCH) * lengthOf(landing));
    case 'pavedBed':
      return Math.max(SHAFT, (landing.voids ?? VOIDS) * areaCovered(landing));
    case 'discharge': {
      const store = storeOf(landing);
      if (store) return store.area * store.voids;
      return OUTFALLS[landing.form].pumps ? (landing.pump ?? usualPump(landing.groundLevel)).area : SHAFT;
    }
    default:
      return SHAFT;
  }
}

export interface JobPipes {
  /** Landings by index, as the layout has them. */
  ids: readonly string[];
  runIds: readonly string[];
  indexOf: ReadonlyMap<string, number>;
  water: PipeFlow;
}

/** `overRim`: m² of ground that water spreads over once it has come up through a landing. Pipes that lead round in a loop are left out by the layout. */
export function pipesOf(job: Job, layout: Layout, overRim: (landing: Landing) => number): JobPipes {
  const { tree } = layout;
  const { inverts, losses, exitLosses, runs } = pipesAsLaid(job, layout);
  const nodes = tree.landings.map((landing, at): PipeNode => ({
    floor: floorOf(landing, inverts[at]!),
    ...overOf(landing, overRim(landing)),
    loss: losses[at]!,
  }));
  const laid = runs.map((run, index) => ({
    ...run,
    invertUp: run.invertUp ?? inverts[run.from]!,
    invertDown: run.invertDown ?? inverts[run.to]!,
    parallel: tree.runs[index]!.parallel ?? 1,
    throat: throatHead(tree.runs[index]!),
    exitLoss: exitLosses?.[index] ?? 0,
  }));
  return {
    ids: tree.landings.map(({ id }) => id),
    runIds: tree.runs.map(({ id }) => id),
    indexOf: new Map(tree.landings.map(({ id }, at) => [id, at])),
    water: new PipeFlow(nodes, laid),
  };
}

/** A landing up to its rim and over it. Over the top of a pit there is but the shaft that leads up out of it. */
function overOf(landing: Landing, overRim: number): Pick<PipeNode, 'rim' | 'area' | 'overRim'> {
  const area = areaOf(landing);
  const store = landing.kind === 'discharge' ? storeOf(landing) : null;
  return store
    ? { rim: storeTop(landing.groundLevel, store), area, overRim: Math.min(0, SHAFT - area) }
    : { rim: landing.groundLevel, area, overRim };
}

/** Floor of what stands at a landing, m: the invert of the pipe that leaves it; of what keeps water, its own. */
function floorOf(landing: Landing, invert: number): number {
  if (landing.kind !== 'discharge') return Math.min(invert, landing.groundLevel);
  const store = storeOf(landing);
  if (store) return Math.min(invert, landing.groundLevel - store.cover - store.depth);
  if (OUTFALLS[landing.form].pumps) return Math.min(invert, (landing.pump ?? usualPump(landing.groundLevel)).stop);
  return Math.min(invert, landing.groundLevel);
}
