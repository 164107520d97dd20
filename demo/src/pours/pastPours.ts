import type { PieceStory, PourHappening } from './happenings';
import type { CastingStory, PourStory } from './pourStory';

/** A recorded pour: its plan, what happened, and what came out. */
export interface PastPour extends PourStory, PourHappening {
  daysAgo: number;
  printed: readonly PieceStory[];
  castings: readonly CastingStory[];
}

const good = (n: number): PieceStory[] => Array.from({ length: n }, () => 'good');
const fine = (n: number, fields: Partial<CastingStory> = {}): CastingStory[] =>
  Array.from({ length: n }, () => ({ outcome: 'sellable', ...fields }));

const WAX_RICH = 'Stepped, wax-rich, flask to 80 mm';
const WAX_FREE = 'Stepped, wax-free, flask to 80 mm';
const FAST = 'Fast, flask to 80 mm';

const BAND_SIZES: PourStory['sizes'] = [
  {
    name: 'Bore',
    of: 'bore',
    drawnMm: 17.35,
    finishedMm: 17.35,
    toleranceMm: 0.1,
    holds: true,
    along: [0, 0, 1],
  },
  {
    name: 'Width',
    of: 'outside',
    drawnMm: 7,
    finishedMm: 7,
    toleranceMm: 0.15,
    holds: false,
    along: [0, 0, 1],
  },
];
const DROP_SIZES: PourStory['sizes'] = [
  {
    name: 'Height',
    of: 'outside',
    drawnMm: 32.3,
    finishedMm: 32.3,
    toleranceMm: 0.3,
    holds: false,
    along: [0, 1, 0],
  },
];

const DROP = { pattern: 'Sea-holly trellis drop', alloy: 'Sterling silver', castClass: 'filigree', resin: 'Skerry Low-Ash', printer: 'Printer B', flask: '76 × 102', powder: 'Harbour Stout', programme: WAX_FREE, kiln: 'Kiln 1', rotation: { xDeg: 50, yDeg: 0, zDeg: 0 }, gates: 2, rings: true, sizes: DROP_SIZES } as const; // prettier-ignore
const LIMPET = { pattern: 'Limpet cufflink', alloy: 'Tin bronze 90/10', castClass: 'standard', resin: 'Skerry Wax 55', printer: 'Printer A', flask: '76 × 102', powder: 'Harbour Stout', programme: WAX_RICH, kiln: 'Kiln 1', rotation: { xDeg: 35, yDeg: 0, zDeg: 0 }, rings: true, hangs: 'z', gateLengthMm: 10, mainSprueLengthMm: 55 } as const; // prettier-ignore
const BAND = { pattern: 'Barnacle band', alloy: '14 ct yellow gold', castClass: 'standard', resin: 'Skerry Low-Ash', printer: 'Printer A', flask: '64 × 76', powder: 'Harbour Stout', programme: WAX_FREE, kiln: 'Kiln 2', rotation: { xDeg: 90, yDeg: 0, zDeg: 0 }, sizes: BAND_SIZES } as const; // prettier-ignore
const PLATE = { pattern: 'Oarlock escutcheon', alloy: 'Silicon bronze', castClass: 'heavy', resin: 'Brine Clear-Out', printer: 'Printer A', flask: '76 × 102', powder: 'Harbour White', programme: WAX_FREE, kiln: 'Kiln 1', rotation: { xDeg: 0, yDeg: 90, zDeg: 0 } } as const; // prettier-ignore
const ROPE = { pattern: 'Rope-twist segment', alloy: 'Sterling silver', castClass: 'standard', resin: 'Skerry Wax 55', printer: 'Printer A', flask: '64 × 102', powder: 'Harbour Stout', programme: WAX_RICH, kiln: 'Kiln 2', rotation: { xDeg: 0, yDeg: 75, zDeg: 0 } } as const; // prettier-ignore
const BEAD = { pattern: 'Whelk bead', alloy: 'Sterling silver', castClass: 'standard', resin: 'Brine Clear-Out', printer: 'Printer C', flask: '64 × 76', powder: 'Harbour Stout', programme: FAST, kiln: 'Kiln 2', loadedAtC: 730, rotation: { xDeg: 0, yDeg: 0, zDeg: 0 } } as const; // prettier-ignore

/** Twelve pours of the last ten weeks: a shop that learns one change at a time. */
export const PAST_POURS: readonly PastPour[] = [
  {
    ...LIMPET, number: 17, daysAgo: 68, count: 4, printed: good(5), flaskC: 500, metalC: 1085, vacuumKpa: 74, quenchMin: 15,
    opened: { quench: 'partly', tool: 'jet', minutes: 12, effort: 'some', pickleMin: 20 },
    castings: [...fine(3), { outcome: 'repairable', flaw: ['nodule', 'inside the cup', 0.6], where: { zone: 'in a hollow or slot', severity: 'breaks off by hand' } }],
  },
  {
    ...PLATE, number: 18, daysAgo: 63, count: 1, printed: good(1), flaskC: 490, metalC: 1110, vacuumKpa: 70, quenchMin: 20,
    solidMin: 4.5, found: ['shrinkage dent or sponge', 'flask hot'],
    castings: [{ outcome: 'scrap', flaw: ['shrinkage dent or sponge', 'behind the boss', 4.5], where: { zone: 'at a thick place', severity: 'stays' } }],
    note: 'First heavy plate.',
  },
  {
    ...PLATE, number: 19, daysAgo: 60, count: 1, again: 18, change: 'Flask at 435 °C instead of 490',
    trying: { flaw: 'shrinkage dent or sponge', change: 'flask cooler', between: ['flask hot', 'feed'], recursIf: [0.25, 0.75], had: 1, of: 1 }, printed: good(2), flaskC: 436, metalC: 1080, vacuumKpa: 72, quenchMin: 18,
    found: ['fin or flash', 'ordinary'],
    castings: [{ outcome: 'repairable', flaw: ['fin or flash', 'rim', 3], where: { zone: 'on the rim', severity: 'files off' } }],
  },
  {
    ...PLATE, number: 20, daysAgo: 54, count: 2, again: 19, change: 'Resin-grade powder', powder: 'Harbour Stout', printed: good(2), flaskC: 440, metalC: 1082, vacuumKpa: 74, quenchMin: 18,
    castings: fine(2),
  },
  {
    ...BAND, number: 21, daysAgo: 47, count: 1, printed: good(2), flaskC: 505, metalC: 915, vacuumKpa: 75, quenchMin: 10,
    printedPercent: 100.4, castings: [{ outcome: 'sellable', finishedMm: 17.22 }],
    note: 'Came out tight; opened on the mandrel.',
  },
  {
    ...DROP, number: 22, daysAgo: 41, count: 4, printed: ['good', 'good', 'good', 'good', 'lost', 'good'], flaskC: 'guessed', metalC: 975, vacuumKpa: 61, quenchMin: 12, ran: 'evenly', solidMin: 0.5, opened: { quench: 'burst', tool: 'water and brush', minutes: 9, effort: 'easy', pickleMin: 15 },
    found: ['misrun', 'flask cool'],
    castings: [...fine(1), { outcome: 'repairable', flaw: ['misrun', 'thistle end', 0.9], where: { zone: 'at a tip', severity: 'closed with solder', towards: [0, 1, 0] } }, { outcome: 'scrap', flaw: ['misrun', 'upper trellis', 4], where: { zone: 'far from a gate', severity: 'stays', towards: [0.6, 1, 0] } }, { outcome: 'scrap', flaw: ['misrun', 'left edge', 6], where: { zone: 'far from a gate', severity: 'stays', towards: [-1, 0.3, 0] } }],
  },
  {
    ...DROP, number: 23, daysAgo: 36, count: 4, again: 22, change: 'Flask at 590 °C instead of what it was',
    trying: { flaw: 'misrun', change: 'flask hotter', between: ['flask cool', 'margin'], recursIf: [0.25, 0.5], had: 3, of: 4 }, printed: good(5), flaskC: 588, metalC: 1000, vacuumKpa: 75, quenchMin: 12, ran: 'evenly', solidMin: 0.9, opened: { quench: 'burst', tool: 'water and brush', minutes: 8, effort: 'easy', pickleMin: 15 },
    castings: [...fine(3, { finishedMm: 32.14 }), { outcome: 'repairable', flaw: ['ash pitting', 'stem', 1.2], where: { zone: 'at a thick place', severity: 'buffs out', towards: [0, -1, 0] } }],
  },
  {
    ...BEAD, number: 24, daysAgo: 30, count: 3, printed: good(4), flaskC: 520, metalC: 970, vacuumKpa: 73, quenchMin: 9,
    ran: 'fell hard',
    castings: [...fine(2), { outcome: 'scrap', flaw: ['broken-away detail', 'inside the bead', 2.5], where: { zone: 'in a hollow or slot', severity: 'stays' } }],
  },
  {
    ...ROPE, number: 25, daysAgo: 24, count: 2, printed: good(2), flaskC: 515, metalC: 968, vacuumKpa: 76, quenchMin: 11,
    castings: fine(2),
  },
  {
    ...BAND, number: 26, daysAgo: 17, count: 2, again: 21, change: 'Scale for a bore that stays open', printed: good(2), flaskC: 510, metalC: 918, vacuumKpa: 75, quenchMin: 10,
    printedPercent: 101.2, curedMm: 17.48, castings: fine(2, { finishedMm: 17.36 }),
  },
  {
    ...LIMPET, number: 27, daysAgo: 11, count: 8, resinUsedMl: 7.6, printed: ['good', 'good', 'good', 'good', 'good', 'good', 'good', 'flawed', 'good', 'good'], flaskC: 512, metalC: 1080, vacuumKpa: 75, quenchMin: 15,
    castings: [...fine(7), { outcome: 'scrap', flaw: ['debris cast in', 'apex', 0.8], where: { zone: 'at a tip', severity: 'stays' } }],
  },
  {
    ...DROP, number: 28, daysAgo: 6, count: 4, resinUsedMl: 5.4, again: 23, change: 'Clean-out one hour longer',
    trying: { flaw: 'ash pitting', change: 'hold longer', between: ['core short', 'no air'], recursIf: [0.2, 0.6], had: 1, of: 4 }, printed: good(5), flaskC: 592, metalC: 1002, vacuumKpa: 76, quenchMin: 12, ran: 'evenly', solidMin: 0.9, opened: { quench: 'burst', tool: 'water and brush', minutes: 9, effort: 'easy', pickleMin: 15 },
    castings: fine(4, { finishedMm: 32.2 }),
  },
]; // prettier-ignore

/** The pours in work: one in the kiln, one on the printer, one planned. */
export const KILN_POUR: PourStory = { ...LIMPET, number: 29, count: 8, note: 'For the regatta table.' };
export const PRINTING_POUR: PourStory = { ...DROP, number: 30, count: 4, again: 28 };
export const PLANNED_POUR: PourStory = {
  ...BAND,
  number: 31,
  count: 3,
  kiln: 'Kiln 1',
  flask: '76 × 76',
  gates: 1,
  rings: true,
};
