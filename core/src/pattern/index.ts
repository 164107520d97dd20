export { askUnit, PLAUSIBLE_SIDE_MM, type UnitOption } from './unitQuestion';
export { isEstimate, readPattern, type PatternMeasure, type PatternReading } from './readPattern';
export { judgePattern } from './judgePattern';
export { chooseResolution, GAP_MAX_MM, type Report, type Resolution } from './grids';
export { STEPS, type Step } from './steps';
export {
  analysePattern,
  readWhole,
  STEP_OF,
  uniteFile,
  ANALYSIS_VERSION,
  type AnalysisResult,
  type PaintedMesh,
  type PatternAnalysis,
} from './analysePattern';
export {
  classifyPart,
  CLASS_LIMITS,
  PART_CLASSES,
  shareThinner,
  type ClassReading,
  type PartClass,
} from './partClass';
export { groupSpots, type Region, type Spot } from './spots';
export { BIN_MM } from './readThickness';
export { GAP_BIN_MM, type SurfacePaint } from './readSurface';
export { HANG_TILTS_DEG, pocketsTurned, readPockets, type HangReading } from './readPockets';
export { evenNeck } from './evenNeck';
export { HOT_SPOTS_MAX, readFeed, sectionAt, type FeedReading, type HotSpot } from './readFeed';
export type { Section } from './section';
export { type Bore } from './readBore';
export { type Chamber } from './readWays';
export * from './findings';
export {
  changeSentences,
  comparePatterns,
  hasChanged,
  type Compared,
  type VersionReading,
} from './comparePatterns';
export { PartSolid, type Part as PartToRead } from './partSolid';
export {
  doTask,
  makeSide,
  READINGS,
  readingsOf,
  type Answer as PartAnswer,
  type BallTask,
  type Grids as PartGrids,
  type SideMessage,
  type Task as PartTask,
} from './tasks';
export { readShape, writeShape, type PaintedShape } from './shapeFile';
export { nearestParts, outcomeOf, type KnownThickness, type NearestParts } from './nearestParts';
export { scaleAnalysis } from './scaleAnalysis';
