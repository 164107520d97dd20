export { coneVolumeCm3, cylinderMm3, flaskVolumeMl } from './volumes';
export { layOutTree, STRAIGHT_MAX, type TreeForm, type TreeLayout, type TreePart } from './treeLayout';
export { CLEARANCE_MM, judgeClearance } from './clearance';
