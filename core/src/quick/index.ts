export {
  CONVERTED,
  USUAL_MOTION_S,
  USUAL_RATIO,
  WAX_G_PER_ML,
  type Converted,
  type QuickKind,
  type QuickMetal,
  type QuickSum,
} from './sums';
export { workOut, type SumAnswer, type SumLine } from './workOut';
export { type KnownNames, type ReadSum } from './line';
export { readSum } from './readSum';
export { wordsOf } from './namesIn';
