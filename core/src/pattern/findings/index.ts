export { PATTERN_LIMITS, THICKEST_MM, type PatternLimits } from './limits';
export { findPattern, findTopology, type FindingContext } from './findPattern';
export { areaInGaps } from './recesses';
export { widthRatio } from './feed';
export { BORE_TOLERANCE_MM, type WantedBore } from './holes';
export { narrowestWay } from './hollows';
