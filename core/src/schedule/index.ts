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
export {
  LONGEST_STEP_H,
  SET_H,
  USUAL_MINUTES,
  WARM_HANDS_MIN,
  WORK_SKILLS,
  type WorkMinutes,
  type WorkSkill,
} from './usualHours';
export { countOn, type LaterStep } from './countOn';
export { stretchHolds, type StretchPart } from './stretchHolds';
export * from './week';
