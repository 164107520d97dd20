export { HOURS_COST, MATERIAL_COST, METAL_COST } from './cost';
