export {
  FOREVER_MIN,
  SHARED_WITHIN_C,
  WEEK_GOALS,
  type PlacedJob,
  type PlacedTask,
  type WeekAnswer,
  type WeekCost,
  type WeekGap,
  type WeekGoal,
  type WeekJob,
  type WeekPerson,
  type WeekProblem,
  type WeekTask,
  type WeekWay,
} from './model';
export { FIRST_EFFORT, FULL_EFFORT, solveWeek, type Effort } from './solveWeek';
export { smallestClash, type ClashAnswer, type GivenUp } from './smallestClash';
export { isKilnHand, WISHES, wishesOf, wishKey, withWishes, type Wish, type WishKind } from './wishes';
