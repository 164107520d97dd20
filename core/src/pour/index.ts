export { judgeTemperature, MIDDLE_TO_5, pourTemperatures, type PourTemperatures } from './temperatures';
