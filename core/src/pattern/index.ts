export { askUnit, PLAUSIBLE_SIDE_MM, type UnitOption } from './unitQuestion';
export { isEstimate, readPattern, type PatternMeasure, type PatternReading } from './readPattern';
export { judgePattern } from './judgePattern';
export { chooseResolution, type Report, type Resolution } from './grids';
export { STEPS, type Step } from './steps';
export {
  analysePattern,
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
export { GAP_MAX_MM } from './readGaps';
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
export { readShape, writeShape, type PaintedShape } from './shapeFile';
export { nearestParts, outcomeOf, type KnownThickness, type NearestParts } from './nearestParts';
export { scaleAnalysis } from './scaleAnalysis';
