export type { JobContext, Run } from './context';
export { analyse } from './meshes';
export { makeRunner } from './runner';
export { manifoldEngine } from './solidEngine';
export { analyseTogether, type Side } from './together';
