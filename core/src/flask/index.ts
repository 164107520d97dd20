export { CONE_ML, flaskVolumeMl, ROUND_ML } from './volumes';
export { layOutTree, STRAIGHT_MAX, type TreeForm, type TreeLayout, type TreePart } from './treeLayout';
export { CLEARANCE_MM, judgeClearance } from './clearance';
