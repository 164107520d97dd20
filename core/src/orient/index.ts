export { pickSupportPoints } from './supportPoints';
export { NO_ROTATION, rotatePoints, rotationMatrix, type Rotation } from './rotation';
export { measureStance, type Stance } from './stance';
