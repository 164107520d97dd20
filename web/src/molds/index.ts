export { useMolds } from './moldStore';
