export { lacking, valueOf, type Need, type Planned } from './planned';
export {
  formulaComesTo,
  formulaInSymbols,
  formulaInValues,
  givensOf,
  showFigure,
  type Figure,
  type Given,
} from './figure';
export { resolvePour, type FlaskContext, type PlannedFor, type PourContext, type Shop } from './context';
export type { Part } from './part';
export { laterVersions, type LaterVersion } from './pattern/newestVersions';
export { castPieces, faultsOf, nameOfPart, printedPieces, type PlannedPiece } from './pieces';
export { findingContext, resinContext } from './findingContext';
export { planPour, type FlaskPlan, type PourPlan } from './planPour';
export { pourTitle } from './pourTitle';
export { recordLine, type NamesNow } from './recordLine';
export { stageLine, stageStates, type StageState } from './stages';
export { writeTicket, type TicketSection } from './ticket';
export type { TicketLine } from './ticketLine';
export type { Block, WorkKey } from './times/block';
export { planEarliest, type TimePlan } from './times/timePlan';
export { firstHeld, toleranceOf, type ScalePlan } from './scale/planScale';
export type { PlannedSize } from './scale/plannedSize';
export type { ChainStep, ScaleChain } from './scale/chain';
export { sharesOfSize } from './scale/waterfall';
export { sizePathOf, stepOf, usualMold, usualSkinMm, type SizeThings } from './scale/sizePathOf';
export {
  fitGroup,
  knownSteps,
  sizeGroups,
  type GroupFit,
  type KnownStep,
  type SizeGroup,
} from './scale/sizeGroups';
export { stepName } from './scale/stepNames';
export { whyOff, type OffPiece, type OffVerdict, type WhyOff } from './scale/whyOff';
export { knowSizes, sharesOf, type MeasuredSize, type ShopSizes, type SizeAxis } from './scale/gatherSizes';
export { branchMm, gapsOf, hangingParts, roomOf, type PartAir, type RealTree } from './sprue/hungPlan';
export { gatesIn } from './sprue/treePlan';
export type { PartFill } from './wayUp/fillPlan';
export { feedGrid, type GateAt, type PartGates } from './wayUp/gatePlan';
export { gatesBefore, type GatesBefore } from './wayUp/gatesBefore';
export type { PrintPlan } from './print/printPlan';
export type { TreePlan } from './sprue/treePlan';
export type { ChargePlan } from './sprue/chargePlan';
export type { BowlPlan } from './invest/bowlPlan';
export type { MixPlan } from './invest/mixPlan';
export type { BurnoutPlan } from './burnout/burnoutPlan';
export { compareBurnouts, fitWish, type ComparedBurnout } from './burnout/fitPlan';
export { houseOf } from './burnout/houseOf';
export { waysOn, type WayOn } from './burnout/waysOn';
export { askedBoric, planOrdinaryHelp } from './invest/ofPowder';
export { planMakers, type MakersPlan } from './burnout/makersPlan';
export { runToSend, unwrittenFalls, type BurnEventDraft } from './burnout/onDevice';
export { readingsFrom, type Burnt } from './burnout/burnt';
export { calendarEvents, type CalendarEvent } from './times/calendarEvents';
export { clashWords, type ClashWords, type WayOut } from './week/clashWords';
export { planLapsed } from './week/planLapsed';
export { ANYBODY, peopleOf } from './week/people';
export type { LeftOut, WeekSubject } from './week/weekJobs';
export {
  allWishes,
  keptWishes,
  planWeeks,
  proposalProblem,
  readAnswer,
  takingOf,
  type PourTaking,
  type Proposed,
  type WeekPlanning,
  type WeekStep,
} from './week/weekPlan';
export { planStretch, type HoldStretch } from './burnout/stretchPlan';
export { flaskToHeat, PATTERNS_AT, type HeatPlan } from './burnout/heatPlan';
export type { TemperaturePlan } from './pour/temperaturePlan';
export {
  boardConflicts,
  boardRows,
  judgeKilnTaken,
  kilnStates,
  nextHandsOn,
  poursAtHand,
  type BoardConflict,
  type BoardRow,
  type HandsOnEntry,
  type KilnState,
} from './board';
export { judgeTimes, zeroInstead } from './times/judgeTimes';
export type { FormatMoment, Moment } from './moment';
export { partWayH } from './print/printMoments';
export { oddHours, type OddHours } from './print/tookLine';
export { judgeDownstream, type ActingStage } from './pattern/downstream';
export { classByThickness, judgeClass } from './pattern/partClasses';
export { judgeStaleVat } from './clean/staleVat';
export {
  curveOf,
  fitTest,
  reportsOf,
  settableOf,
  tuningThings,
  wantedSetting,
  type FittedTest,
  type TuningKey,
  type TuningThings,
} from './resin/tuning/settings';
export {
  gatherTrials,
  type GatheredTrials,
  type TuningOf,
  type UsedTrial,
} from './resin/tuning/gatherTrials';
export {
  beginningOf,
  COMMON_FIGURES,
  figuresFor,
  firstProfile,
  toldBase,
  USUAL_LAYER_MM,
  type Beginning,
} from './resin/tuning/beginning';
export { shopTunings } from './resin/tuning/shopTunings';
export { nextVersion, standingProfile, type AcceptedFigures } from './resin/tuning/profileFrom';
export { doubtfulSince, judgeProfileAge } from './resin/tuning/judgeProfileAge';
export { RANKED_HEIGHT_MM, rankResins, sizesNear, yieldsOf, type RankedResin } from './resin/ranking';
export { countsFrom, foundFrom, type ExplainedFault } from './why/explain';
export { evidenceOf, explainPrint, saidOfPrints } from './why/explainPrint';
export { castEvidenceOf, comesFrom, explainCast } from './result/explainCast';
export { learnCauses } from './result/castLessons';
export { allPieces, flawedPieces } from './result/flawedPieces';
export { solidAfter } from './pour/solidAfter';
export { sameHeight } from './print/printSigns';
export { layOutPlate, type PlateLayout } from './print/plateLayout';
export {
  knowPrints,
  motionOf,
  NOTHING_PRINTED,
  supportsOf,
  washedSince,
  type Known,
  type ShopPrints,
} from './print/knowPrints';
export { cutLists, type CutList } from './print/cutList';
export { planLoad, standingOf, standingWish } from './print/plateLoad';
export { NO_READINGS, type NotRead, type Reading, type Readings, type WantedReading } from './readings';
export { plateNow } from './print/plateNow';
export { cleaningOf, isOver, judgeCleaning, protocolOf, type CleaningStep } from './clean/cleaning';
export { freshClocks, judgeFreshness, readClock, type FreshClock } from './clean/freshClocks';
export {
  goesOn,
  missingPieces,
  piecesWorth,
  tallyExpected,
  type ExpectedTally,
  type PieceWorth,
} from './clean/worth';
export { comparable, plateChoice, type ComparedProfile } from './print/plateChoices';
export { burnoutFor, burnoutWith, type ResinBurnout } from './print/resinBurnout';
export { bottleOrLeave, type BottleOrLeave } from './print/bottleOrLeave';
export { judgeWarp, planMold, whyNewest, type MoldPlan } from './mold/moldPlan';
export { moldSteps, type MoldStep, type MoldThings } from './mold/moldSteps';
export {
  earliestMold,
  judgeMoldTimes,
  judgeUntimed,
  planMoldTimes,
  stepsAhead,
  untimed,
  waxesPerHour,
  waxesToInject,
  type MoldTimes,
} from './mold/moldWork';
export { moldConflicts, moldRows, type MoldRow } from './mold/moldsOnBoard';
export { planRoutes, type RouteRow, type RoutesPlan } from './mold/routePlan';
export { judgeMoldOfPour, waxesLeft } from './mold/moldOfPour';
export { kindsOfRoute, routeOfKind, waxCm3, waxesOf } from './mold/waxes';
export { comparePours, type PourDifference } from './compare/comparePours';
export type { PourFact } from './compare/pourFacts';
export { judgeChange, type ChangeJudged } from './compare/changeHelped';
export { setsByItself, tryChange } from './compare/tryChange';
export { expectedWeight, judgePieceWeight } from './result/castWeightPlan';
export { finishingTotals, nextStep, weightBefore, type FinishingTotals } from './result/finishing';
export { isHardened, learnOpening, planOpening, type LearntOpening } from './pour/openingPlan';
export { metalMeets } from './burnout/outOfKiln';
export { rankMadeWith, type RankedGroup, type RankedMaking } from './compare/rankMadeWith';
export { learnHeat, tellHeats, type HeatLesson } from './pour/heatLessons';
export { goneOf, recipeFrom, recipesAtHand, recipeState, type RecipeState } from './compare/recipes';
export { TREND_DAYS, trendOf, type Trend } from './compare/trend';
export { compareWithinFlasks, type FlaskDifference } from './result/withinFlask';
export { debrisChain, type ChainLink } from './result/debrisChain';
export { coreHours } from './burnout/burnoutPlan';
export { triedCost, type TriedCost } from './resin/triedCost';
export { nameKey, pourOfScrap, type ScrapChoices, type ScrapNames } from './scraps/pourOfScrap';
export { changedSince } from './compare/changedSince';
export { handOverRefusals, resinCautions } from './burnout/handOver';
export { recordsOfSheet, type SheetChoices, type SheetTaken } from './scraps/recordsOfSheet';
