export { InputError, requireNumber, requirePositive } from './inputError';
export {
  celsiusToFahrenheit,
  fahrenheitToCelsius,
  GRAMS_PER_DWT,
  GRAMS_PER_OZT,
  METRIC,
  MM_PER_INCH,
  shownUnit,
  type Unit,
  type UnitChoice,
} from './units';
export { formatHours, formatNumber, formatQuantity, formatValue, type Quantity } from './formatQuantity';
export { readQuantity, type ReadQuantity } from './readQuantity';
export { formatPhrase, quantity, say, type Phrase } from './phrase';
export { fitRobust, type RobustFit, type RobustPrior, type RobustReading } from './fitRobust';
export { fitLine, lineSe, type Line } from './fitLine';
export { tBelow, tQuantile } from './studentT';
export {
  betaBelow,
  betterChance,
  estimateShare,
  lnGamma,
  type Counted,
  type ShareEstimate,
} from './betaShare';
export { cholesky, invertSymmetric, solveCholesky } from './symmetric';
export { seededRandom } from './seededRandom';
export { principalAxes } from './principalAxes';
export { evenDirection } from './evenDirection';
