/** What the rest of the product may use of the core. */
export * from './api/accepted';
export * from './api/build';
export * from './api/company';
export * from './api/jars';
export * from './api/ledger';
export * from './api/people';
export * from './api/together';
export * from './api/rounds';
export * from './api/serverState';
export * from './api/wire';
export * from './catalogue';
export { fixOf, searchFix, type Fix } from './design/fixes';
export { stoneInstead } from './design/instead';
export { outletsApart } from './design/outletsApart';
export { acrossFrom, basinAtEnd, passedUnder } from './design/stoneJoined';
export { suggestedChange, type Suggested } from './design/suggested';
export { sizeJob, type JobSizing, type SizedJob } from './design/sizeJob';
export { filledShare, normalDepth } from './hydraulics/pipe';
export { sagCapacity, sagDepth } from './hydraulics/sagInlet';
export {
  channelCapacity,
  inletOf,
  MAX_OVER_SILL,
  type BasinPlan,
  type ChannelPlan,
  type DownspoutPlan,
  type InletPlan,
} from './inlets';
export * from './job';
export { defined } from './job/edits/defined';
export { letsOutAs, otherwise } from './job/edits/wayOutName';
export { acceptSnag, takeBackAcceptance } from './snags/accepted';
export { freshId } from './job/ids';
export * from './roles';
export { letterOf, type FallBudget } from './network';
export { choicesOf, holdsAt, smallestThatWorks, type SizeChoice } from './network/choices';
export { mainCapacityOf } from './network/receiving';
export { solveWaterLine, type WaterNetwork } from './network/waterLine';
export { groundAlong } from './network/groundAlong';
export { unknownFall } from './job/oldPipe';
export { budgetFrom } from './plan/layout';
export { madeElsewhere, planJob, type Plan } from './verdict/planJob';
export type { LandingPlan, RunPlan, Solution, StandingWater } from './plan/solution';
export { solve } from './plan/solve';
export type { Verdict } from './verdict/verdict';
export { readFrequencyTable, type FrequencyTable } from './rain/csv';
export { designRain, officeRain, openingRain, rarerThan, type FrequencyRows } from './rain/design';
export { ROOF_DURATION } from './rain/intensityOfRain';
export { fitRain, intensityOf, type IntensityTable } from './rain/intensity';
export { gatheringArea, planArea, windFactor } from './runoff/roofArea';
export { coefficientOf, type ContributingArea } from './runoff/sources';
export { contoursOf, contourStep, type Contour } from './ground/contours';
export { JOB_STATES, type JobState } from './job/states';
export { place as placeSchema } from './job/kinds/fields';
export { cellAt, placeOf as placeOfCell, type Grid } from './ground/grid';
export { flood, metFirst } from './ground/flood';
export { findPonds, type Pond } from './ground/ponds';
export { Surface as GroundSurface, type GroundPoint } from './ground/surface';
export { CULVERT_INLETS, CULVERT_INLET_FACTS, type CulvertInlet } from './hydraulics/culvert';
export { BARREL_USUAL } from './works/barrel';
export { straightAcross } from './works/culvert';
export { DRAIN_USUAL } from './works/drain';
export { STONE_DRAIN_USUAL } from './works/stoneDrain';
export { usualPump } from './works/pumpBasin';
export { storeOf } from './works/store';
export type { WorkPlan } from './works';
export * from './site';
export * from './snags';
export * from './units';
export { markWords, type MarkWords } from './words/marks';
export { jointWords } from './words/joints';
export { answersTo, crewNotes, NOTE_LABELS, notesOn, noteWords, openQuestions } from './words/notes';
export { workFacts, type Fact } from './words/works';
export { shortOf, tellSnag } from './snags/tell';
export { budgetWorking } from './words/workings/budgetWorking';
export { contributingAreaWorking } from './words/workings/contributingAreaWorking';
export { inletWorking, type InletQuantity } from './words/workings/inletWorking';
export { landingWorking, type LandingQuantity } from './words/workings/landingWorking';
export { workWorking } from './words/workings/workWorking';
export { runWorking, RUN_QUANTITIES, type RunQuantity } from './words/workings/runWorking';
export type { Working } from './words/workings/working';
export { catchmentCells, followsGround, situated } from './yard/situate';
export { groundOf, placedLevels, type Ground } from './yard/ground';
export { levelsOf, type BookResult, type Levels } from './yard/levels';
export { flowPath, yardWater, type YardWater } from './yard/water';
export { soilAt, soilOfTest, type FoundSoil } from './yard/soils';
export { crossingsOf, crossingsOfRun, type Crossing } from './yard/crossings';
export { diagnose, slopesAway, type Diagnosis, type SlopeAway, type Suggestion } from './yard/diagnosis';
export { nextLevels, type NextLevel } from './yard/nextLevel';
export { groundPicture, type GroundPicture } from './yard/picture';
export { FALL_ASKED, groundSays, type GroundSays } from './yard/says';
export { cutAlong, type Cut } from './yard/cut';
export { pondAt, seenOf, unseenPonds, type Seen } from './yard/seen';
export { waysOut, type WayOut } from './yard/waysOut';
export { doorWords, type DoorWords } from './words/doors';
export { nextWords, pondWords, seenWords, suggestionWords, wayOutWords, waysOutWords, whyWords } from './words/yard';
export { downspoutElements, readDownspouts, type DownspoutRow } from './formats/downspoutTable';
export { FORMULA_START } from './formats/formulaStart';
export { catalogueTable, readCatalogue, type ReadCatalogue } from './formats/catalogueCsv';
export { readGeoJson, toGeoJson } from './formats/geoJson';
export {
  COLUMNS,
  decodeText,
  guessMapping,
  levelsTable,
  mappingFault,
  readLevels,
  type ReadLevels,
  type Column,
  type Mapping,
  type RefusedRow,
} from './formats/levelsCsv';
export { groundOver } from './yard/profile';
export { scaledBy } from './yard/underlay';
export { takeOff, type Part, type TakeOff } from './quantities/takeOff';
export { PART_GROUPS, type Item, type PartGroup } from './catalogue/items';
export { floating, type Floats } from './quantities/floats';
export { intoMainBy } from './quantities/outlets';
export { commonOf, manyRuns, runsWithin, newRuns } from './job/edits/manyRuns';
export { besides } from './job/edits/besides';
export { anotherLike } from './job/edits/likeIt';
export { sharingOf, sharingWords } from './quantities/sharingWords';
export { partLabel } from './quantities/partLabel';
export {
  amountOf,
  buyOf,
  floatsWords,
  missingWords,
  PART_GROUP_LABELS,
  partWorking,
  partsTable,
  trenchWords,
} from './quantities/words';
export { digSheet, SAME_STATION, stationName, targetRod, type DigLine, type DigStation } from './field/digSheet';
export { judgeLaid, laidOn, readElsewhere, type Judged, type Laid } from './field/asLaid';
export { rePitch } from './field/rePitch';
export { judgedWords, type DigWords } from './field/words';
export { priceOf, unrounded, type Price, type PriceLine } from './price/price';
export { paidFor } from './price/paidFor';
export { waysOf, type BuildWays } from './job/buildWays';
export { pricesOf, type Prices } from './price/book';
export { dearer, isCurrency, leastUnits, lineLabel, usualWords, money, rateUnit } from './price/words';
export { straightOn } from './numeric/straight';
export { openWayLines, openWaySection, type OpenWayLine } from './plan/openWay';
export { routeOf, sectionAt, sectionOf, type Section, type SectionPoint } from './plan/section';
export { SERVICE_PAINT } from './words/servicePaint';
export {
  digLines,
  digTable,
  inletsTable,
  partsSheet,
  priceTable,
  runsTable,
  tablesOf,
  type Table,
} from './sheets/tables';
export { drawingOf, LAYERS, type Drawing, type LayerName, type Stroke } from './sheets/drawing';
export { networkOf, surfaceOf, type LaidPipe, type NetworkModel, type SurfaceModel } from './sheets/network';
export { offeredText } from './sheets/offered';
export { quoteOf, type Quote } from './sheets/quote';
export { cautionsOf } from './sheets/cautions';
export { BEYOND_WORDS, engineersWork, type Beyond } from './sheets/engineer';
export { isPrivate, needsOf, unmarked, type Need } from './clearances/needs';
export { clearing, locateDays, markReady, standings, type NeedStanding } from './clearances/standing';
export { calendarOf, daysBetween, isWorked, plusDays, workedFrom } from './clearances/workingDays';
export { needAbout, needSays, needTitle, readyWords, standsMark, standsWords } from './clearances/words';
export { scheduleOf, type Schedule, type Scheduled, type Weather } from './days/schedule';
export { glanceOf, sketchOf, type Glance, type Sketch } from './sheets/glance';
export { settleStep } from './days/settle';
export { stepsOf, type WorkStep } from './days/steps';
export { heldWords, loadWords, machineWords, stepLabel, toolWords } from './days/words';
export { asOneLoad, truckLoads, type Load } from './days/truck';
export { toolsOf, type Tool } from './days/tools';
export { machineDays } from './quantities/machines';
export { RENTABLE, RENTED_LABELS, type Digger, type Rentable } from './catalogue/diggers';
export { compareOptions, keepAside, optionName, takeOption, type Compared } from './variants/variants';
export * from './schools';
export { lowSpotPlans, type LowSpotPlans } from './variants/lowSpots';
