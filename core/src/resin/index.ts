export {
  freshness,
  PLATE_ML_PER_H,
  stockLasts,
  type Freshness,
  type Perishable,
  type StockLasts,
} from './freshness';
export {
  BATH_MAX_C,
  BEFORE_KEYS,
  beforePrint,
  type BeforeKey,
  type BeforePrint,
  type BeforeStep,
} from './beforePrint';
export {
  addCounts,
  byStanding,
  CAST_GRADES,
  countGrades,
  PIECES_LEAST,
  PRINT_GRADES,
  standing,
  suggestVerdict,
  VERDICTS,
  type CastGrade,
  type GradedPiece,
  type PieceCount,
  type PrintGrade,
  type Standing,
} from './standing';
export {
  comparePlate,
  decidingNumber,
  type Deciding,
  type Decision,
  type PlateChoice,
  type PlateComparison,
  type PlateCosts,
  type PlateJob,
} from './comparePlates';
export { CURED_DENSER_PERCENT, curedDensity } from './curedDensity';
export { judgeRoute, type RoutedResin } from './judgeRoute';
export { pricePerKg } from './pricePerKg';
