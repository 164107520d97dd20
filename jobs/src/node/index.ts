export { analyseBytes, type FileAnalysis } from './analyseBytes';
export { loadEngine } from './loadEngine';
export { openSide } from './openSide';
export { runInThread, type ThreadOptions } from './runInThread';
