export {
  countOutcomes,
  FLAW_KINDS,
  OUTCOMES,
  piecesMeant,
  ROUGH_COUNTS,
  type FlawKind,
  type Outcome,
  type OutcomeCount,
  type RoughCount,
} from './outcomes';
