export {
  countOutcomes,
  OUTCOMES,
  piecesMeant,
  ROUGH_COUNTS,
  type Outcome,
  type OutcomeCount,
  type RoughCount,
} from './outcomes';
export {
  FLAW_KINDS,
  FLAW_ZONES,
  flawWords,
  QUENCHES,
  RAN,
  SEVERITIES,
  type FlawKind,
  type FlawZone,
  type Quench,
  type Ran,
  type Severity,
} from './flaws';
export { FINISHING_KINDS, type FinishingKind } from './finishing';
export { judgeCastWeight } from './castWeight';
export {
  FITS,
  JOINED_BY,
  judgeFit,
  judgeSide,
  RECESS_AS_CAST,
  type Fit,
  type JoinedBy,
  type PlannedSide,
} from './finishPlan';
