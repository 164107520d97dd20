export { CONE_ML, flaskVolumeMl, ROUND_ML } from './volumes';
export { layOutTree, STRAIGHT_MAX, type TreeForm, type TreeLayout, type TreePart } from './treeLayout';
export { CLEARANCE_MM, judgeClearance } from './clearance';
export { hangingPose, type Hanging, type HangingGate, type Pose } from './pose';
export { makeHungShape, type HungShape } from './hungShape';
export {
  hangRings,
  type FlaskRoom,
  type HangForm,
  type HangGaps,
  type HungPiece,
  type HungTree,
} from './hangTree';
export { hangStraight } from './hangStraight';
export { measureHung, type HungClearance } from './hungClearance';
export { judgeHung } from './judgeHung';
export { judgeMainSprue } from './mainSprue';
