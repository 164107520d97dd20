/** Flaws of a casting (handbook 08, "Result"). */
export const FLAW_KINDS = [
  'ash pitting',
  'sand-like roughness',
  'fin or flash',
  'broken-away detail',
  'investment fallen in',
  'debris cast in',
  'nodule',
  'bubble beads',
  'misrun',
  'cold shut',
  'shrinkage dent or sponge',
  'gas pores',
  'metal in lettering',
  'rough rim',
  'layer lines',
  'distorted',
  'cracked',
] as const;
export type FlawKind = (typeof FLAW_KINDS)[number];

/** How a flaw is called where it is chosen, where its key is not the word. */
const CALLED: Partial<Record<FlawKind, string>> = { 'metal in lettering': 'letters closed by metal' };
export const flawWords = (kind: FlawKind): string => CALLED[kind] ?? kind;

/** How bad a flaw is, as it is said at the bench: from what a hand mends to what cannot be mended. */
export const SEVERITIES = [
  'breaks off by hand',
  'files off',
  'buffs out',
  'closed with solder',
  'stays',
] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Where on a piece, where it is not shown on the model: each is evidence for causes. */
export const FLAW_ZONES = [
  'all over',
  'at a gate',
  'far from a gate',
  'at a tip',
  'at a thick place',
  'in a hollow or slot',
  'in lettering',
  'on the rim',
  'on the support side',
  'inside',
] as const;
export type FlawZone = (typeof FLAW_ZONES)[number];

/** How the metal ran. */
export const RAN = ['evenly', 'fell hard', 'spilled', 'in two goes'] as const;
export type Ran = (typeof RAN)[number];

/** What happened when the flask met the water. */
export const QUENCHES = ['burst', 'partly', 'nothing'] as const;
export type Quench = (typeof QUENCHES)[number];
