/** Every rule, in the order in which equally bad snags are told. */
import { adversePitch } from './adversePitch';
import { assumedFigure } from './assumedFigure';
import { capacityExceeded } from './capacityExceeded';
import { blockedGrate } from './blockedGrate';
import { carriesOver } from './carriesOver';
import { channelHolds } from './channelHolds';
import { channelOutlet } from './channelOutlet';
import { channelOvertops } from './channelOvertops';
import { coverShort } from './coverShort';
import { deepTrench } from './deepTrench';
import { downspoutSmall } from './downspoutSmall';
import { dropAtMain } from './dropAtMain';
import { hangsOut } from './hangsOut';
import { gutterSpills } from './gutterSpills';
import { mainLevelMissing } from './mainLevelMissing';
import { mainUnknown } from './mainUnknown';
import { nothingLeads } from './nothingLeads';
import { standsInPipe } from './standsInPipe';
import { grateSmall } from './grateSmall';
import { flatInMulch } from './flatInMulch';
import { largerIntoSmaller } from './largerIntoSmaller';
import { lidAboveInlet } from './lidAboveInlet';
import { lostWater } from './lostWater';
import { mainFull } from './mainFull';
import { nearBuilding } from './nearBuilding';
import { nearOpening } from './nearOpening';
import { noCleanout } from './noCleanout';
import { noDischarge } from './noDischarge';
import { noRain } from './noRain';
import { openingFloods } from './openingFloods';
import { openingRainMissing } from './openingRainMissing';
import { outOfFall } from './outOfFall';
import { popupHolds } from './popupHolds';
import { sedimentTrapMissing } from './sedimentTrapMissing';
import { boundaryCrossed } from './boundaryCrossed';
import { deepBetween } from './deepBetween';
import { footingUndermined } from './footingUndermined';
import { groundBetween } from './groundBetween';
import { lengthDisagrees } from './lengthDisagrees';
import { rootsCrossed } from './rootsCrossed';
import { serviceUnmarked } from './serviceUnmarked';
import type { Rule } from './snag';
import { drainRules } from './works/drain';
import { openRules } from './works/open';
import { storeRules } from './works/stores';
import { stoneMissing } from './stoneMissing';
import { strayRun } from './strayRun';
import { teeLoaded } from './teeLoaded';
import { throatLeft } from './throatLeft';
import { underLeastPitch } from './underLeastPitch';
import { valleyOvershoots } from './valleyOvershoots';
import { velocityHigh } from './velocityHigh';
import { waterOverGrate } from './waterOverGrate';
import { willSilt } from './willSilt';

export const RULES: readonly Rule[] = [
  noRain,
  strayRun,
  noDischarge,
  mainLevelMissing,
  outOfFall,
  adversePitch,
  lidAboveInlet,
  waterOverGrate,
  nearOpening,
  openingFloods,
  mainFull,
  nearBuilding,
  serviceUnmarked,
  footingUndermined,
  boundaryCrossed,
  deepTrench,
  deepBetween,
  capacityExceeded,
  grateSmall,
  channelOvertops,
  channelOutlet,
  channelHolds,
  carriesOver,
  downspoutSmall,
  valleyOvershoots,
  teeLoaded,
  throatLeft,
  underLeastPitch,
  coverShort,
  groundBetween,
  hangsOut,
  largerIntoSmaller,
  lostWater,
  popupHolds,
  noCleanout,
  willSilt,
  stoneMissing,
  flatInMulch,
  velocityHigh,
  blockedGrate,
  standsInPipe,
  dropAtMain,
  mainUnknown,
  gutterSpills,
  nothingLeads,
  sedimentTrapMissing,
  openingRainMissing,
  rootsCrossed,
  lengthDisagrees,
  ...drainRules,
  ...openRules,
  ...storeRules,
  assumedFigure,
];

export const RULE_BY_CODE: ReadonlyMap<string, Rule> = new Map(RULES.map((rule) => [rule.code, rule]));
