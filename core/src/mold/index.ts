export { asDrawn, pullAlong, uprightTurn, type Direction as PullDirection, type PulledPart } from './pull';
export { findUndercuts, type Undercut, type UndercutMap } from './undercut';
export { choosePlane, columnSpan, type PartingPlane } from './partingPlane';
export { readAlong, findPull } from './findPull';
export { KEY_SHAPES, USUAL_KEYS, type KeyForm, type KeyShape } from './keys';
export type { SprueForm } from './channels';
export { makeMoldBlock, type BlockForm, type MoldBlock, type MoldHalf } from './moldBlock';
export { BEARS_PERCENT, MOLD_KINDS, USUAL_LIFE, type MoldKind } from './material';
export { judgeRelease, kindsThatRelease, type ReleaseReading } from './judgeRelease';
export { judgeMaster, TEST_RESULTS, type Master, type TestResult } from './judgeMaster';
export {
  FRAME_FILL_CM3,
  frameFillCm3,
  pressMinutes,
  PRESS_MIN,
  RUBBER,
  rubberFor,
  shotG,
  shotsFor,
  SILICONE,
  siliconeFor,
  type FrameInside,
} from './amounts';
export {
  cheapest,
  costPerGood,
  crossings,
  handsPerGood,
  ROUTE_LOSS,
  USUAL_RATES,
  usualRoutes,
  whichDecides,
  type Crossing,
  type Decides,
  type Rates,
  type RouteCosts,
  type RouteInput,
} from './routes';
export {
  shotEvidence,
  WAX_FAULT_KEYS,
  WAX_FAULTS,
  whyWax,
  type ShotSigns,
  type WaxFaultKey,
} from './waxFlaws';
export { cutLine, type CutLine } from './cutLine';
export { judgeBlock, type Plate } from './judgeBlock';
export { judgeFrame } from './judgeFrame';
export { FRAME_WALL_MM, moldFrame } from './frame';
