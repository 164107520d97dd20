export { manifoldEngine } from './manifoldEngine';
export { runAnalysis, type AnalysisRun } from './runAnalysis';
