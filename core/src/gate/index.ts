export * from './modulus';
export { entriesUnder } from './entriesUnder';
export { readFeedField, type FeedField } from './feedField';
export {
  FEED_LIMITS,
  feedByGates,
  gradeFeed,
  type FeedGrade,
  type FeedingGate,
  type SpotFeed,
} from './gateFeed';
export { judgeFeed } from './judgeFeed';
export { suggestGates, type SuggestedGate } from './suggestGates';
export {
  gateDiameterMm,
  gateDirection,
  gateFlareMm,
  gateLengthMm,
  gatesTogether,
  GATE_MAKINGS,
  WAX_DIP_MM,
  type GateMaking,
  type PlacedGate,
} from './placedGate';
export { carryPart, jointMomentGMm, judgeCarrying, JOINT_STRENGTH_MPA, type Carrying } from './carry';
export {
  ballRound,
  centreOfMass,
  judgeGatePlaces,
  readGatePlaces,
  sawReaches,
  type GatePlace,
} from './gatePlaces';
export { judgeDrain, DRAIN_LEAST } from './judgeDrain';
