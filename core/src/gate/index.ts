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
