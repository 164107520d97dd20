import { formula } from '../working';

/** What a pour costs by its parts (handbook 09): g and price a kilogram; hours and price an hour; g and price a gram. */
export const MATERIAL_COST = formula`${'m'}/1000 × ${'p'}`;
export const HOURS_COST = formula`${'t'} × ${'p'}`;
export const METAL_COST = formula`${'M'} × ${'p'}`;
/** … and shared over the good ones. */
export const PER_GOOD = formula`${'C'} / ${'n'}`;
export const HANDS_COST = formula`${'t'}/60 × ${'p'}`;

/** What a machine draws: kWh and price of one; or kW and minutes. */
export const ENERGY_COST = formula`${'E'} × ${'p'}`;
export const POWER_COST = formula`${'P'} × ${'t'}/60 × ${'p'}`;
/** What is worn: so much of what it is good for, and the price of a new one. */
export const WEAR_COST = formula`${'n'}/${'N'} × ${'p'}`;
