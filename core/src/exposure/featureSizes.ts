import type { CastClass } from '../metal';

/** Classes that an exposure is tuned for; a mixed part takes the finest of its classes. */
export const TUNED_CLASSES = ['filigree', 'standard', 'heavy'] as const satisfies readonly CastClass[];
export type TunedClass = (typeof TUNED_CLASSES)[number];

/** Size of struts and slots that each class needs, mm (*shop defaults*, handbook 02). */
export const FEATURE_SIZE_MM: Record<TunedClass, number> = { filigree: 0.25, standard: 0.4, heavy: 0.6 };
