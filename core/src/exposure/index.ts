export { judgeProfile, type ProfileFigures } from './profileLimits';
