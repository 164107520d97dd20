export { defineJob, typed, type Job, type JobResult } from './job';
export { canonicalJson, jobKey, jobText, sha256 } from './key';
export { resultOf, type RunOutcome } from './outcome';
export { partOf, partSchema, pieceOf, type PartInput } from './part';
export { blobsOf, fileOf, KEEP_NEWEST, KEPT_JOB_NAMES, KEPT_JOBS, keptJob, type KeptJobName } from './kept';
export { fitProgrammeJob, heatJob, type FitInput, type FlaskInput, type HeatInput } from './heat';
export { clashJob, weekJob, type ClashInput, type WeekInput } from './week';
export { passingJob } from './passing';
export { couponFileJob, couponJob, type CouponShape } from './coupon';
export {
  feedJob,
  GATE_SCHOOLS,
  placesJob,
  suggestGatesJob,
  type FeedAnswer,
  type FeedInput,
  type GateSchool,
  type Mass,
  type PlacesAnswer,
  type PlacesInput,
  type SuggestInput,
} from './feed';
export { fillJob, fillMarginsJob, type FillInput } from './fill';
export {
  airJob,
  hangJob,
  hungJob,
  saveTreeJob,
  treeShapeJob,
  type AirAnswer,
  type AirInput,
  type HangingPart,
  type HangInput,
  type HungInput,
  type TreeShape,
} from './hang';
export { layersJob, type CutLayers, type LayersInput } from './layers';
export { patternJob, type PatternOutput } from './pattern';
export { readFileJob, type FileReading } from './readFile';
export { savePartJob, type SaveFormat, type Stretch } from './savePart';
export { shapeJob, type ViewMesh } from './shape';
export {
  modelSpruesJob,
  spruesJob,
  type DrawnSprues,
  type FoundSprues,
  type ModelSpruesInput,
} from './sprues';
export { standingInput, standingJob, type StandingInput } from './standing';
export { spreadJob, tuneJob, type TuningAnswer, type TuningJob } from './tuning';
export { waysJob, type FoundWays, type WaysInput } from './ways';
export {
  moldBlockJob,
  undercutShadesJob,
  undercutsJob,
  type BlockInput,
  type HalfFile,
  type MadeBlock,
  type PullReading,
  type Undercuts,
  type UndercutsInput,
} from './mold';
