/** Steps of finishing and assembly (handbook 08). */
export const FINISHING_KINDS = [
  'pickle',
  'saw off',
  'file',
  'wheels and papers',
  'tumble',
  'join or solder',
  'drill, ream or tap',
  'set stones',
  'plate or patina',
  'enamel',
  'polish',
] as const;
export type FinishingKind = (typeof FINISHING_KINDS)[number];
