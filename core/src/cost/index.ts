export { costOfPour, type CostInput, type CostLine } from './cost';
