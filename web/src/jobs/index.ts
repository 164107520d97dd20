export { hashOf } from './hashOf';
export { useReadings } from './readingStore';
export { runJob, whyNot } from './runJob';
export { useJob, type JobState } from './useJob';
export { WorkCancelled } from './workerPool';
