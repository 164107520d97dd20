export { analyseBytes, type FileAnalysis } from './analyseBytes';
export { loadEngine } from './loadEngine';
export { runInThread, type ThreadOptions } from './runInThread';
