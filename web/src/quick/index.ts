export { quickSumsOpen } from './quickSumsOpen';
