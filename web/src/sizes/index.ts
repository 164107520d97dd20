export { formatPercents } from './formatPercents';
export { newSeries, readReadings } from './newSeries';
export { SIZE_KIND_NAMES, useWantedSizes, withField } from './useWantedSizes';
