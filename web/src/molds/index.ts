export { useMolds } from './moldStore';
export { moldTimedSteps } from './moldTimedSteps';
