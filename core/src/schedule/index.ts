export {
  benchSpans,
  closedSpans,
  HOUR_MS,
  isWithin,
  MINUTE_MS,
  type BenchDay,
  type BenchException,
  type BenchClock,
  type BenchHours,
  type Span,
} from './benchHours';
export {
  countBack,
  earliestZero,
  type Attendance,
  type BenchConflict,
  type CivilZero,
  type CountBack,
  type KilnMoment,
  type PlacedStep,
  type WorkStep,
} from './countBack';
export { INVEST_H, LONGEST_STEP_H, SET_H, SPRUE_H } from './usualHours';
export { stretchHolds, type StretchPart } from './stretchHolds';
export * from './week';
