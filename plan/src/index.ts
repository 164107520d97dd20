export { lacking, valueOf, type Need, type Planned } from './planned';
export { formulaInSymbols, formulaInValues, givensOf, showFigure, type Figure, type Given } from './figure';
export { resolvePour, type FlaskContext, type PlannedFor, type PourContext, type Shop } from './context';
export type { Part } from './part';
export { castPieces, nameOfPart, printedPieces, type PlannedPiece } from './pieces';
export { findingContext, resinContext } from './findingContext';
export { planPour, type FlaskPlan, type PourPlan } from './planPour';
export { pourTitle } from './pourTitle';
export { stageLine } from './stageLines';
export { stageStates, type StageState } from './progress';
export { writeTicket, type TicketLine, type TicketSection } from './ticket';
export { INVEST_H, planEarliest, SPRUE_H, type Block, type TimePlan } from './timePlan';
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
export { whyOff, type OffPiece, type WhyOff } from './scale/whyOff';
export { knowSizes, sharesOf, type MeasuredSize, type ShopSizes, type SizeAxis } from './scale/gatherSizes';
export type { PartGates } from './gatePlan';
export type { PrintPlan } from './printPlan';
export type { TreePlan } from './treePlan';
export type { ChargePlan } from './chargePlan';
export type { MixPlan } from './mixPlan';
export type { BurnoutPlan } from './burnoutPlan';
export type { TemperaturePlan } from './temperaturePlan';
export {
  boardConflicts,
  boardRows,
  kilnStates,
  nextHandsOn,
  type BoardConflict,
  type BoardRow,
  type HandsOnEntry,
  type KilnState,
} from './board';
export { judgeTimes, type FormatMoment } from './judgeTimes';
export { partWayH, type Moment } from './moments';
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
} from './tuning/settings';
export { gatherTrials, type GatheredTrials, type TuningOf, type UsedTrial } from './tuning/gatherTrials';
export { nextVersion, standingProfile, type AcceptedFigures } from './tuning/profileFrom';
export { doubtfulSince, judgeProfileAge } from './tuning/judgeProfileAge';
export { RANKED_HEIGHT_MM, rankResins, sizesNear, yieldsOf, type RankedResin } from './ranking';
export { countsSoFar, explainPrint, type ExplainedFault } from './why/explainPrint';
export { printEvidence, sameHeight } from './why/printEvidence';
export { layOutPlate, type PlateLayout } from './plateLayout';
export {
  knowPrints,
  motionOf,
  NOTHING_PRINTED,
  supportsOf,
  washedSince,
  type Known,
  type ShopPrints,
} from './print/knowPrints';
export { planLoad, standingOf, standingWish } from './print/plateLoad';
export { NO_READINGS, type NotRead, type Reading, type Readings, type WantedReading } from './readings';
export { plateNow } from './print/plateNow';
export { cleaningOf, isOver, protocolOf, type CleaningStep } from './clean/cleaning';
export { freshClocks, judgeFreshness, readClock, type FreshClock } from './clean/freshClocks';
export {
  goesOn,
  missingPieces,
  piecesWorth,
  tallyExpected,
  type ExpectedTally,
  type PieceWorth,
} from './clean/worth';
export { burnoutHours, comparable, plateChoice, type ComparedProfile } from './plateChoices';
export { bottleOrLeave, type BottleOrLeave } from './print/bottleOrLeave';
