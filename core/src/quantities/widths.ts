/** How wide a trench is dug, by its pipe and by what digs it. */
import { CHAIN, DIGGER_FACTS, excavatorFor, TRENCHER_PASSES, type Digger } from '../catalogue/diggers';
import { BETWEEN_PIPES, outsideOf } from '../catalogue/supply';
import { headOf, type Job } from '../job/job';
import type { Run } from '../job/kinds';

type Pipes = Pick<Run, 'material' | 'nominal' | 'parallel'>;

/** Width of a trench, m: its pipes and room beside them, never less than what digs it cuts. */
export function trenchWidth({ material, nominal, parallel = 1 }: Pipes, digger: Digger = 'excavator'): number {
  const outside = outsideOf(material, nominal);
  const { least, room } = DIGGER_FACTS[digger];
  return Math.max(least, parallel * outside + (parallel - 1) * BETWEEN_PIPES + room);
}

/** By how much a run widens the trench of another that it lies in, m. */
export const widened = ({ material, nominal, parallel = 1 }: Pipes): number =>
  parallel * (outsideOf(material, nominal) + BETWEEN_PIPES);

/** What digs a run's trench: what was chosen, by hand where no machine reaches, an excavator where it is too deep (m) or its pipe too wide for a chain. */
export function diggerFor(run: Run, depth: number, chosen: Digger): Digger {
  if (run.under === 'deck') return 'hand';
  if (chosen !== 'trencher') return chosen;
  return depth <= DIGGER_FACTS.trencher.deepest && trenchWidth(run, 'trencher') <= CHAIN + 1e-6
    ? 'trencher'
    : 'excavator';
}

/** Whether no machine gets in that digs these trenches: none does at all, or none passes the narrowest gate. */
export function noMachineIn(job: Job, trenches: readonly { depth: number; digger: Digger }[]): boolean {
  const { narrow, gate } = headOf(job).prices?.conditions ?? {};
  if (narrow) return true;
  if (gate === undefined) return false;
  const deepest = Math.max(0, ...trenches.map(({ depth }) => depth));
  return trenches.some(({ digger }) => digger === 'trencher') && gate >= TRENCHER_PASSES
    ? false
    : excavatorFor(deepest, gate) === null;
}
