export { pullAlong, uprightTurn, type Direction as PullDirection, type PulledPart } from './pull';
export { findUndercuts, type Undercut, type UndercutMap } from './undercut';
export { choosePlane, columnSpan, type PartingPlane } from './partingPlane';
export { cellFor, findPull } from './findPull';
export { KEY_SHAPES, USUAL_KEYS, type KeyForm, type KeyShape } from './keys';
export type { SprueForm } from './channels';
export { makeMoldBlock, type BlockForm, type MoldBlock, type MoldHalf } from './moldBlock';
