import type { Composition } from '../density';

/** Class of a casting: drives exposure, flask temperature and statistics (handbook 01). */
export const CAST_CLASSES = ['filigree', 'standard', 'heavy', 'mixed'] as const;
export type CastClass = (typeof CAST_CLASSES)[number];

export interface ClassRange {
  lowC: number;
  highC: number;
}

/** How the flask is opened: in water after a wait, or by hand once cool. */
export type Divest = 'quench' | 'break out';

/** One alloy as the book gives it. */
export interface BookAlloy {
  name: string;
  composition: Composition;
  /** Measured, g/cm³, where volumes do not add up: silicon and zinc dissolve closer than the mixing rule has them. */
  densityGPerCm3?: number;
  liquidusC: number;
  solidusC: number;
  /** Flask at the pour. `mixed` is taken as standard. */
  flask: Record<Exclude<CastClass, 'mixed'>, ClassRange>;
  /** Metal at the pour. */
  metal: Record<Exclude<CastClass, 'mixed'>, ClassRange>;
  /** Linear, solidus to room, restrained by the mold, percent. */
  shrinkPercent: number;
  lossPercent: number;
  divest: Divest;
  quenchWaitMin: ClassMinutes;
  caution: string;
}
export interface ClassMinutes {
  least: number;
  most: number;
}

const range = (lowC: number, highC: number): ClassRange => ({ lowC, highC });
/** Superheat over liquidus by class: thin parts hotter, heavy parts cooler (handbook 08). */
const metalAbove = (liquidusC: number): BookAlloy['metal'] => ({
  filigree: range(liquidusC + 90, liquidusC + 130),
  standard: range(liquidusC + 60, liquidusC + 100),
  heavy: range(liquidusC + 40, liquidusC + 70),
});
const PRECIOUS_FLASK = { filigree: range(560, 620), standard: range(480, 540), heavy: range(420, 470) };
const COPPER_FLASK = { filigree: range(580, 650), standard: range(480, 560), heavy: range(400, 470) };
const PRECIOUS_WAIT = { least: 8, most: 15 };
const COPPER_WAIT = { least: 12, most: 20 };
const COOL_FIRST = { least: 60, most: 240 };
const NICKEL_SKIN =
  'Nickel: for what touches skin the law limits what it may give off; test it, or choose another white gold.';
const ZINC_FUME = 'Overheated, it gives off zinc fume: extraction on, no hotter than the range.';

/**
 * Common casting alloys. Melting ranges: rounded from the binary and ternary phase diagrams in the usual metals
 * handbooks; flask ranges: customary shop ranges by class; shrink and loss: handbook 03 and 05.
 * All are starting values: an alloy's own supplier and the shop's record come before them.
 */
export const BOOK_ALLOYS: readonly BookAlloy[] = [
  {
    name: 'Sterling silver',
    composition: { Ag: 0.925, Cu: 0.075 },
    liquidusC: 893,
    solidusC: 802,
    flask: PRECIOUS_FLASK,
    metal: metalAbove(893),
    shrinkPercent: -1.9,
    lossPercent: 1,
    divest: 'quench',
    quenchWaitMin: PRECIOUS_WAIT,
    caution: '',
  },
  {
    name: 'Fine silver',
    composition: { Ag: 1 },
    liquidusC: 962,
    solidusC: 962,
    flask: PRECIOUS_FLASK,
    metal: metalAbove(962),
    shrinkPercent: -1.9,
    lossPercent: 1,
    divest: 'quench',
    quenchWaitMin: PRECIOUS_WAIT,
    caution: '',
  },
  {
    name: '9 ct yellow gold',
    composition: { Au: 0.375, Ag: 0.11, Cu: 0.43, Zn: 0.085 },
    liquidusC: 905,
    solidusC: 865,
    flask: PRECIOUS_FLASK,
    metal: metalAbove(905),
    shrinkPercent: -1.6,
    lossPercent: 2,
    divest: 'quench',
    quenchWaitMin: PRECIOUS_WAIT,
    caution: ZINC_FUME,
  },
  {
    name: '14 ct yellow gold',
    composition: { Au: 0.585, Ag: 0.2, Cu: 0.215 },
    liquidusC: 835,
    solidusC: 800,
    flask: PRECIOUS_FLASK,
    metal: metalAbove(835),
    shrinkPercent: -1.6,
    lossPercent: 1,
    divest: 'quench',
    quenchWaitMin: PRECIOUS_WAIT,
    caution: '',
  },
  {
    name: '18 ct yellow gold',
    composition: { Au: 0.75, Ag: 0.125, Cu: 0.125 },
    liquidusC: 895,
    solidusC: 880,
    flask: PRECIOUS_FLASK,
    metal: metalAbove(895),
    shrinkPercent: -1.6,
    lossPercent: 1,
    divest: 'quench',
    quenchWaitMin: PRECIOUS_WAIT,
    caution: '',
  },
  {
    name: '18 ct rose gold',
    composition: { Au: 0.75, Ag: 0.045, Cu: 0.205 },
    liquidusC: 895,
    solidusC: 885,
    flask: PRECIOUS_FLASK,
    metal: metalAbove(895),
    shrinkPercent: -1.6,
    lossPercent: 1,
    divest: 'quench',
    quenchWaitMin: { least: 3, most: 6 },
    caution: 'Quench while still dull red: slow cooling makes it brittle.',
  },
  {
    name: '22 ct yellow gold',
    composition: { Au: 0.917, Ag: 0.055, Cu: 0.028 },
    liquidusC: 1020,
    solidusC: 995,
    flask: PRECIOUS_FLASK,
    metal: metalAbove(1020),
    shrinkPercent: -1.6,
    lossPercent: 1,
    divest: 'quench',
    quenchWaitMin: PRECIOUS_WAIT,
    caution: '',
  },
  {
    name: 'Tin bronze 90/10',
    composition: { Cu: 0.9, Sn: 0.1 },
    liquidusC: 1000,
    solidusC: 830,
    flask: COPPER_FLASK,
    metal: metalAbove(1000),
    shrinkPercent: -1.9,
    lossPercent: 1,
    divest: 'quench',
    quenchWaitMin: COPPER_WAIT,
    caution: 'Freezes over a wide range: melt and pour promptly, it segregates when held.',
  },
  {
    name: 'Silicon bronze',
    composition: { Cu: 0.96, Si: 0.04 },
    densityGPerCm3: 8.45,
    liquidusC: 1025,
    solidusC: 970,
    flask: COPPER_FLASK,
    metal: metalAbove(1025),
    shrinkPercent: -1.9,
    lossPercent: 1,
    divest: 'quench',
    quenchWaitMin: COPPER_WAIT,
    caution: '',
  },
  {
    name: 'Yellow brass 70/30',
    composition: { Cu: 0.7, Zn: 0.3 },
    densityGPerCm3: 8.53,
    liquidusC: 955,
    solidusC: 915,
    flask: COPPER_FLASK,
    metal: metalAbove(955),
    shrinkPercent: -1.9,
    lossPercent: 2,
    divest: 'quench',
    quenchWaitMin: COPPER_WAIT,
    caution: ZINC_FUME,
  },
  {
    name: 'Zinc-aluminium 12',
    composition: { Zn: 0.88, Al: 0.11, Cu: 0.01 },
    liquidusC: 432,
    solidusC: 377,
    flask: { filigree: range(230, 280), standard: range(180, 230), heavy: range(140, 180) },
    metal: metalAbove(432),
    shrinkPercent: -1.2,
    lossPercent: 2,
    divest: 'break out',
    quenchWaitMin: COOL_FIRST,
    caution: ZINC_FUME,
  },
  {
    name: 'Pewter 92/7/1',
    composition: { Sn: 0.92, Sb: 0.07, Cu: 0.01 },
    liquidusC: 295,
    solidusC: 241,
    flask: { filigree: range(110, 140), standard: range(80, 110), heavy: range(50, 80) },
    metal: metalAbove(295),
    shrinkPercent: -0.6,
    lossPercent: 1,
    divest: 'break out',
    quenchWaitMin: COOL_FIRST,
    caution: 'Lead-free only, for anything worn or eaten from.',
  },
  {
    name: '14 ct white gold, nickel',
    composition: { Au: 0.585, Cu: 0.235, Ni: 0.1, Zn: 0.08 },
    liquidusC: 995,
    solidusC: 960,
    flask: PRECIOUS_FLASK,
    metal: metalAbove(995),
    shrinkPercent: -1.6,
    lossPercent: 2,
    divest: 'quench',
    quenchWaitMin: PRECIOUS_WAIT,
    caution: NICKEL_SKIN,
  },
  {
    name: '18 ct white gold, nickel',
    composition: { Au: 0.75, Cu: 0.085, Ni: 0.135, Zn: 0.03 },
    liquidusC: 955,
    solidusC: 912,
    flask: PRECIOUS_FLASK,
    metal: metalAbove(955),
    shrinkPercent: -1.6,
    lossPercent: 2,
    divest: 'quench',
    quenchWaitMin: PRECIOUS_WAIT,
    caution: NICKEL_SKIN,
  },
  {
    name: 'Zinc-aluminium 8',
    composition: { Zn: 0.905, Al: 0.084, Cu: 0.011 },
    densityGPerCm3: 6.3,
    liquidusC: 404,
    solidusC: 375,
    flask: { filigree: range(230, 280), standard: range(180, 230), heavy: range(140, 180) },
    metal: metalAbove(404),
    shrinkPercent: -1.1,
    lossPercent: 2,
    divest: 'break out',
    quenchWaitMin: COOL_FIRST,
    caution: ZINC_FUME,
  },
  {
    name: 'Zinc-aluminium 27',
    composition: { Zn: 0.71, Al: 0.27, Cu: 0.02 },
    densityGPerCm3: 5,
    liquidusC: 484,
    solidusC: 376,
    flask: { filigree: range(230, 280), standard: range(180, 230), heavy: range(140, 180) },
    metal: metalAbove(484),
    shrinkPercent: -1.3,
    lossPercent: 2,
    divest: 'break out',
    quenchWaitMin: COOL_FIRST,
    caution: ZINC_FUME,
  },
];
