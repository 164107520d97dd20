export { pickSupportPoints } from './supportPoints';
export { NO_ROTATION, rotatePoints, rotationMatrix, type Rotation } from './rotation';
export { measureStance, type Stance } from './stance';
export { layerBitmap, type LayerStack } from './layers';
export type { Island } from './islands';
export type { SuctionCup } from './suctionCups';
export { OVERHANG_LIMIT_DEG } from './overhang';
export { measurePrintDirection, type PrintDirection, type PrintDirectionInput } from './printDirection';
export { judgeDirection } from './judgeDirection';
