import { formula } from '../working';

/** A length, and a volume, at a percent of its size. */
export const SCALED_LENGTH = formula`${'D'} × ${'s'}/100`;
export const SCALED_VOLUME = formula`${'V'} × (${'s'}/100)³`;
/** The percent that prints a size of a file at another. */
export const PERCENT_OF_DRAWN = formula`100 × ${'P'} / ${'D'}`;
/** The one percent that gives the same volume as three along the axes. */
export const SAME_VOLUME = formula`∛(${'x'} × ${'y'} × ${'z'})`;
