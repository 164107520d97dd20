export { makeSearchSurface, type SearchSurface } from './searchSurface';
export { QuickLooker, type Direction, type QuickLook } from './quickLook';
export { directionOf, rotationFor, spreadDirections } from './directions';
export {
  costOf,
  searchWaysUp,
  WAY_AIMS,
  type PartScale,
  type WayAim,
  type WayFigures,
  type WayFound,
  type WaysFound,
} from './searchWaysUp';
export { cutWayUp, findWaysUp, type WaysUp, type WayUp } from './findWaysUp';
export { growFaces } from './growFace';
