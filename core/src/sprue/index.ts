export { cutSprues, type SprueCut, type SprueMark, type SprueSection } from './cutSprues';
export { findRodBodies, type RodBody } from './rodBodies';
export { rodAt, type Rod } from './rodAt';
export {
  gateSolidOf,
  modelSprues,
  type ModelledGate,
  type ModelledSprue,
  type ModelledSprues,
} from './modelSprues';
export { roundSolid, type SolidMesh } from './roundSolid';
