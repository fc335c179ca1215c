/** What keeps water or lifts it: pits, gardens, beds, barrels, pump basins, stone along a slab; and pipe within pipe. */
import { pumpTooWeak } from './pumpTooWeak';
import { pumpBehind } from './pumpBehind';
import { pumpStarts } from './pumpStarts';
import { pumpOutage } from './pumpOutage';
import { pumpBare } from './pumpBare';
import { storeInWater } from './storeInWater';
import { storeNearWater } from './storeNearWater';
import { storeOver } from './storeOver';
import { storeSlow } from './storeSlow';
import { storeInClay } from './storeInClay';
import { storeBySeptic } from './storeBySeptic';
import { bedTowardHouse } from './bedTowardHouse';
import { bedOver } from './bedOver';
import { bedSlow } from './bedSlow';
import { barrelFreezes } from './barrelFreezes';
import { sumpFreezes } from './sumpFreezes';
import { waterAtDoor } from './waterAtDoor';
import { stoneDrainClose } from './stoneDrainClose';
import { stoneOver } from './stoneOver';
import { stoneHigh } from './stoneHigh';
import { sleeveSmall } from './sleeveSmall';
import { grateAtEnd } from './grateAtEnd';
import { oldFallUnknown } from '../../pipes/oldFallUnknown';
import { oldStateUnknown } from '../../pipes/oldStateUnknown';
import { oldPipePoor } from '../../pipes/oldPipePoor';
import type { Rule } from '../../snag';

/** In the order in which snags of one weight are told. */
export const storeRules: readonly Rule[] = [
  pumpTooWeak,
  pumpBehind,
  pumpStarts,
  pumpOutage,
  pumpBare,
  storeInWater,
  storeNearWater,
  storeOver,
  storeSlow,
  storeInClay,
  storeBySeptic,
  bedTowardHouse,
  bedOver,
  bedSlow,
  barrelFreezes,
  sumpFreezes,
  waterAtDoor,
  stoneDrainClose,
  stoneOver,
  stoneHigh,
  sleeveSmall,
  grateAtEnd,
  oldPipePoor,
  oldFallUnknown,
  oldStateUnknown,
];
