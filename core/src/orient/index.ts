export { pickSupportPoints } from './supportPoints';
export { NO_ROTATION, rotatePoints, rotationMatrix, transposed, type Rotation } from './rotation';
export { measureStance, type Stance } from './stance';
export { layerBitmap, type LayerStack } from './layers';
export type { Island } from './islands';
export type { SuctionCup } from './suctionCups';
export { OVERHANG_LIMIT_DEG } from './overhang';
export { measurePrintDirection, type PrintDirection, type PrintDirectionInput } from './printDirection';
export { findDirection } from './findDirection';
export { measureSteps, type StepsReading } from './stepsShow';
export { standAsPrinted, stretchAsPrinted } from './stretch';
export * from './search';
export {
  adviseSupports,
  SUPPORT_POINT_WEIGHTS,
  SUPPORT_SPACING_MM,
  type SupportAdvice,
  type SupportPoint,
  type SupportPointWeight,
} from './supports/adviseSupports';
