export { judgeProtocol, type CleanedResin } from './judgeProtocol';
export {
  CLEAN_KINDS,
  CLEAN_MEDIA,
  CLEAN_MOTIONS,
  handsOnMinutes,
  judgeStepTime,
  protocolHours,
  type CleanKind,
  type CleanMedium,
  type CleanMotion,
  type CleanStep,
} from './steps';
export { CLEAN_SCHOOLS, cureIn, USUAL_PROTOCOL, type CleanSchool } from './schools';
export { afterLook, LOOK_WORDS, LOOKS, looksAt, type AfterLook, type Look } from './looks';
export { CURE_VESSELS, GLASS_PASSES_NM, vesselBlocks, type CureVessel } from './vesselLight';
export { cleanRun, ROUNDS_MOST, type RunRecord, type RunStep } from './cleanRun';
export {
  EXPECTATIONS,
  goesIntoFlask,
  PIECE_VERDICTS,
  worthCasting,
  type Expectation,
  type PieceEvidence,
  type PieceVerdict,
  type WorthCasting,
} from './worthCasting';
