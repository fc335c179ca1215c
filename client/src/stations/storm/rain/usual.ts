/** The storm that is watched where nobody has asked for another. */
import type { AskedStorm } from '../../../planning/storm.worker';

export const USUAL_STORM: AskedStorm = {
  rain: 'design',
  length: 3600,
  shape: 'middle',
  again: false,
  wetness: 'ordinary',
  failing: [],
};
