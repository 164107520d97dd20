/** What a mold is made of. */
export const MOLD_KINDS = ['rubber', 'silicone', 'flexible resin', 'hard resin'] as const;
export type MoldKind = (typeof MOLD_KINDS)[number];

/** Strain to which each gives way and comes back, percent (*shop defaults* of handbook 06; silicone as rubber). */
export const BEARS_PERCENT: Readonly<Record<MoldKind, number>> = {
  rubber: 30,
  silicone: 30,
  'flexible resin': 3,
  'hard resin': 0,
};

/** Waxes that a mold gives before it is worn, where the shop has no record (*shop defaults*, ours). */
export const USUAL_LIFE: Readonly<Record<MoldKind, number>> = {
  rubber: 500,
  silicone: 60,
  'flexible resin': 40,
  'hard resin': 80,
};
