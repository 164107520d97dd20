export { askUnit, PLAUSIBLE_SIDE_MM, type UnitOption } from './unitQuestion';
export { readPattern, type PatternMeasure, type PatternReading, type ReadingStep } from './readPattern';
export { judgePattern } from './judgePattern';
