export { CONE_ML, flaskVolumeMl, ROUND_ML } from './volumes';
export { layOutTree, STRAIGHT_MAX, type TreeForm, type TreeLayout, type TreePart } from './treeLayout';
export { CLEARANCE_MM, judgeClearance, judgePerforated } from './clearance';
export { hangingPose, posed, type Hanging, type HangingGate, type Pose } from './pose';
export { endOf, makeHungShape, type HungShape } from './hungShape';
export {
  hangRings,
  type FlaskRoom,
  type HangForm,
  type HangGaps,
  type HungPiece,
  type HungTree,
  type Miss,
} from './hangTree';
export { chooseFlasks, FLASK_WISHES, type ChosenFlasks, type FlaskWish } from './chooseFlasks';
export { hangStraight } from './hangStraight';
export { hangBranches } from './hangBranches';
export { branchesOf, branchLengthMm, type Branch, type TreeSprue } from './branches';
export { measureHung, type HungClearance } from './hungClearance';
export { judgeHung } from './judgeHung';
export { judgeBranch, judgeMainSprue, SPRUE_OVER_GATE } from './mainSprue';
export { treeSurface } from './treeSurface';
export { bestStand, BUBBLE_MM3, readHungAir, type HungAir, type Stand } from './hungAir';
export { findHeldSpots, type HeldSpot } from './heldSpots';
export { judgeHungAir } from './judgeHungAir';
