/** Every rule, in the order in which equally bad snags are told. */
import { adversePitch } from './pipes/adversePitch';
import { assumedFigure } from './pipes/assumedFigure';
import { bankAssumed } from './pipes/bankAssumed';
import { capacityExceeded } from './pipes/capacityExceeded';
import { blockedGrate } from './inlets/blockedGrate';
import { carriesOver } from './inlets/carriesOver';
import { channelHolds } from './inlets/channelHolds';
import { channelOutlet } from './inlets/channelOutlet';
import { channelOvertops } from './inlets/channelOvertops';
import { coverShort } from './pipes/coverShort';
import { deepTrench } from './site/deepTrench';
import { doorFloods } from './inlets/doorFloods';
import { doorNear } from './inlets/doorNear';
import { doorNotJudged } from './inlets/doorNotJudged';
import { downspoutSmall } from './inlets/downspoutSmall';
import { dropAtMain } from './outlets/dropAtMain';
import { hangsOut } from './pipes/hangsOut';
import { gutterSpills } from './inlets/gutterSpills';
import { mainLevelMissing } from './outlets/mainLevelMissing';
import { mainNotKnown } from './outlets/mainNotKnown';
import { mainSanitary } from './outlets/mainSanitary';
import { mainUnknown } from './outlets/mainUnknown';
import { nothingLeads } from './inlets/nothingLeads';
import { standsInPipe } from './pipes/standsInPipe';
import { grateSmall } from './inlets/grateSmall';
import { flatInMulch } from './inlets/flatInMulch';
import { largerIntoSmaller } from './pipes/largerIntoSmaller';
import { lidAboveInlet } from './outlets/lidAboveInlet';
import { lostWater } from './inlets/lostWater';
import { mainFull } from './outlets/mainFull';
import { nearBuilding } from './outlets/nearBuilding';
import { nearOpening } from './inlets/nearOpening';
import { noCleanout } from './pipes/noCleanout';
import { noDischarge } from './outlets/noDischarge';
import { noRain } from './inlets/noRain';
import { openingFloods } from './inlets/openingFloods';
import { openingRainMissing } from './inlets/openingRainMissing';
import { outOfFall } from './pipes/outOfFall';
import { channelUnsaid, pipeOverChannel } from './outlets/pipeAtChannel';
import { popupHolds } from './outlets/popupHolds';
import { sedimentTrapMissing } from './pipes/sedimentTrapMissing';
import { areaDisagrees } from './site/areaDisagrees';
import { boundaryCrossed } from './site/boundaryCrossed';
import { deepBetween } from './site/deepBetween';
import { footingUndermined } from './site/footingUndermined';
import { groundBetween } from './site/groundBetween';
import { lengthDisagrees } from './pipes/lengthDisagrees';
import { rootsCrossed } from './site/rootsCrossed';
import { pipesCross } from './site/pipesCross';
import { serviceInWay } from './site/serviceInWay';
import { serviceUnmarked } from './site/serviceUnmarked';
import type { Rule } from './snag';
import { drainRules } from './works/drains';
import { openRules } from './works/open';
import { storeRules } from './works/stores';
import { stoneMissing } from './outlets/stoneMissing';
import { strayRun } from './pipes/strayRun';
import { teeLoaded } from './pipes/teeLoaded';
import { throatLeft } from './pipes/throatLeft';
import { underLeastPitch } from './pipes/underLeastPitch';
import { valleyOvershoots } from './inlets/valleyOvershoots';
import { velocityHigh } from './pipes/velocityHigh';
import { waterOverGrate } from './inlets/waterOverGrate';
import { willSilt } from './pipes/willSilt';

export const RULES: readonly Rule[] = [
  noRain,
  strayRun,
  noDischarge,
  mainSanitary,
  mainNotKnown,
  mainLevelMissing,
  outOfFall,
  adversePitch,
  lidAboveInlet,
  waterOverGrate,
  nearOpening,
  doorNear,
  openingFloods,
  doorFloods,
  mainFull,
  nearBuilding,
  channelUnsaid,
  pipeOverChannel,
  pipesCross,
  serviceInWay,
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
  doorNotJudged,
  rootsCrossed,
  lengthDisagrees,
  areaDisagrees,
  ...drainRules,
  ...openRules,
  ...storeRules,
  assumedFigure,
  bankAssumed,
];

export const RULE_BY_CODE: ReadonlyMap<string, Rule> = new Map(RULES.map((rule) => [rule.code, rule]));
