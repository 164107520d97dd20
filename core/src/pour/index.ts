export { judgeTemperature, pourTemperatures, type PourTemperatures } from './temperatures';
