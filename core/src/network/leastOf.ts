/** The least that is asked of one run, whatever lies about it: pitch and cover. */
import { MATERIAL_FACTS } from '../catalogue/pipes';
import type { Run } from '../job/kinds';
import type { Settings } from '../job/settings';

/** Least pitch of a run: large smooth pipe may lie flatter. */
export function leastPitchOf(run: Pick<Run, 'material' | 'nominal'>, settings: Settings): number {
  const large = MATERIAL_FACTS[run.material].smoothBore && run.nominal >= settings.largeFrom - 1e-9;
  return large ? Math.min(settings.leastPitch, settings.leastPitchLarge) : settings.leastPitch;
}

/** Cover planned over a run, m: under a slab the least, so that it leaves a channel in the slab as high as it may. */
export const plannedCover = (run: Run, settings: Settings): number =>
  run.under === 'slab' ? settings.leastCoverInSlab : Math.max(settings.cover, leastCoverOf(run, settings));

/** Least cover accepted over a run, m. */
export function leastCoverOf(run: Run, settings: Settings): number {
  if (run.under === 'slab') return settings.leastCoverInSlab;
  return run.under === 'cars'
    ? Math.max(settings.leastCover, MATERIAL_FACTS[run.material].leastCoverUnderCars)
    : settings.leastCover;
}
