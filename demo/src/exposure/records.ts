import { couponClass, TUNED_CLASSES, usualCoupon, type BaseResult, type TunedClass } from '@zero-pour/core';
import type { CureTest, Pattern, RecordLists, TestSetRun, Trial } from '@zero-pour/contracts';
import { demoId } from '../demoId';
import { demoMolds } from '../molds';
import { demoLots } from '../lots';
import { demoSizes } from '../sizes';

const DAY_MS = 24 * 3_600_000;
/** Struts that stood and slots that stayed open, of 24 each, by class. */
type Counts = Partial<Record<TunedClass, [number, number]>>;

interface Story {
  resin: string;
  printer: string;
  layerMm: number;
  daysAgo: number;
  exposureS: number;
  baseExposureS: number;
  vatC: number;
  counts: Counts;
  base?: BaseResult;
  flaws?: Trial['flaws'];
  widths?: [number, number][];
  note?: string;
}

const WAX_A = { resin: 'Skerry Wax 55', printer: 'Printer A', layerMm: 0.05, vatC: 28 };
const BRINE_A = { resin: 'Brine Clear-Out', printer: 'Printer A', layerMm: 0.05, vatC: 22 };
const ASH_B = { resin: 'Skerry Low-Ash', printer: 'Printer B', layerMm: 0.035, vatC: 28 };
const FINE_B = { resin: 'Skerry Low-Ash Fine', printer: 'Printer B', layerMm: 0.03, vatC: 28 };

const TRIALS: readonly Story[] = [
  { ...WAX_A, daysAgo: 62, exposureS: 2.4, baseExposureS: 25, counts: { filigree: [5, 24], standard: [11, 24], heavy: [20, 24] }, flaws: ['struts missing'], note: 'Upper bars missing.', widths: [[0.4, 0.37], [0.6, 0.57]] },
  { ...WAX_A, daysAgo: 61, exposureS: 3.0, baseExposureS: 32, counts: { filigree: [15, 24], standard: [22, 24], heavy: [24, 24] }, base: 'curled', flaws: ['underside bowed'], widths: [[0.4, 0.39], [0.6, 0.6]] },
  { ...WAX_A, daysAgo: 60, exposureS: 3.6, baseExposureS: 25, counts: { filigree: [22, 23], standard: [24, 24], heavy: [24, 23] }, widths: [[0.4, 0.41], [0.6, 0.61]] },
  { ...WAX_A, daysAgo: 60, exposureS: 4.5, baseExposureS: 25, counts: { filigree: [24, 15], standard: [24, 21], heavy: [24, 22] }, flaws: ['slots webbed'], widths: [[0.4, 0.44], [0.6, 0.64]] },
  { ...BRINE_A, daysAgo: 41, exposureS: 2.0, baseExposureS: 20, counts: { filigree: [0, 24], standard: [4, 24], heavy: [15, 24] }, flaws: ['struts missing', 'struts bent'] },
  { ...BRINE_A, daysAgo: 40, exposureS: 3.0, baseExposureS: 20, counts: { filigree: [2, 17], standard: [15, 22], heavy: [24, 24] }, flaws: ['struts missing'] },
  { ...BRINE_A, daysAgo: 40, exposureS: 4.0, baseExposureS: 20, counts: { filigree: [9, 8], standard: [23, 14], heavy: [24, 22] }, flaws: ['slots webbed', 'struts bent'] },
  { ...ASH_B, daysAgo: 30, exposureS: 1.8, baseExposureS: 18, counts: { filigree: [16, 24] } },
  { ...ASH_B, daysAgo: 30, exposureS: 2.2, baseExposureS: 18, counts: { filigree: [24, 23] } },
  { ...ASH_B, daysAgo: 29, exposureS: 2.8, baseExposureS: 18, counts: { filigree: [24, 17] }, flaws: ['slots webbed'] },
  { ...FINE_B, daysAgo: 2, exposureS: 1.9, baseExposureS: 16, counts: { filigree: [17, 24] }, note: 'First coupon of the new bottle.' },
]; // prettier-ignore

function trial(story: Story, n: number, now: Date): Trial {
  const classes = TUNED_CLASSES.filter((castClass) => story.counts[castClass]);
  const label = `${story.exposureS} S`;
  return {
    id: demoId(`trial ${n}`),
    resinId: demoId(story.resin),
    printerId: demoId(story.printer),
    printedAt: new Date(now.getTime() - story.daysAgo * DAY_MS + n * 3_600_000).toISOString(),
    layerMm: story.layerMm,
    exposureS: story.exposureS,
    baseExposureS: story.baseExposureS,
    baseLayers: 6,
    vatC: { state: 'measured', value: story.vatC },
    roomC: { state: 'guessed', value: 20 },
    raftMm: 0.8,
    primingCoats: story.resin === 'Skerry Wax 55' ? 2 : 0,
    coupon: { ...usualCoupon(label, classes), classes: classes.map(couponClass), extras: ['curl bar'] },
    counts: Object.fromEntries(
      classes.map((castClass) => {
        const [struts, slots] = story.counts[castClass]!;
        return [castClass, { struts: { good: struts }, slots: { good: slots } }];
      }),
    ),
    base: story.base ?? 'held',
    flaws: story.flaws ?? [],
    widths: (story.widths ?? []).map(([drawnMm, measuredMm]) => ({ kind: 'strut', drawnMm, measuredMm })),
    photos: [],
    note: story.note ?? '',
  };
}

/** Cure-depth discs of Skerry Low-Ash under Printer A's light. */
const DISCS = [[10, 0.061], [15, 0.102], [22, 0.147], [33, 0.186], [50, 0.238], [75, 0.277]] as const; // prettier-ignore

const cureTest = (now: Date): CureTest => ({
  id: demoId('cure test'),
  resinId: demoId('Skerry Low-Ash'),
  printerId: demoId('Printer A'),
  measuredAt: new Date(now.getTime() - 45 * DAY_MS).toISOString(),
  wavelengthNm: 405,
  discs: DISCS.map(([energyMjPerCm2, depthMm]) => ({ energyMjPerCm2, depthMm })),
  vatC: 23,
  note: 'Discs on the film, micrometer.',
});

type Piece = TestSetRun['pieces'][number];
/** How a piece came out of the print and, when it was cast, out of the flask, by a letter. */
const GRADES: Record<string, [print: Piece['print'], cast: Piece['cast']]> = {
  g: ['whole', 'good'],
  r: ['whole', 'needs repair'],
  s: ['whole', 'scrap'],
  d: ['thin or distorted', 'needs repair'],
  f: ['fragment', null],
  m: ['missing', null],
};
const SET: readonly { name: string; castClass: TunedClass; thinnestMm: number }[] = [
  { name: 'Sea-holly trellis drop', castClass: 'filigree', thinnestMm: 0.6 },
  { name: 'Barnacle band', castClass: 'standard', thinnestMm: 0.9 },
  { name: 'Whelk bead', castClass: 'standard', thinnestMm: 0.7 },
  { name: 'Oarlock escutcheon', castClass: 'heavy', thinnestMm: 1.8 },
];

interface Run {
  resin: string;
  printer: string;
  exposureS: number;
  layerMm: number;
  daysAgo: number;
  /** Letters of five copies, for each part of the set. */
  grades: readonly string[];
  says: Record<TunedClass, 'keep' | 'drop'>;
  note: string;
}
const RUNS: readonly Run[] = [
  { resin: 'Skerry Wax 55', printer: 'Printer A', exposureS: 3.7, layerMm: 0.05, daysAgo: 55, grades: ['ggfgg', 'ggggg', 'ggrgg', 'ggggg'], says: { filigree: 'keep', standard: 'keep', heavy: 'keep' }, note: 'Clean walls, no ash.' },
  { resin: 'Brine Clear-Out', printer: 'Printer A', exposureS: 3.2, layerMm: 0.05, daysAgo: 38, grades: ['mfmfd', 'gdggg', 'ggsgg', 'ggggg'], says: { filigree: 'drop', standard: 'keep', heavy: 'keep' }, note: 'Heavy work only.' },
  { resin: 'Skerry Low-Ash Fine', printer: 'Printer B', exposureS: 1.9, layerMm: 0.03, daysAgo: 1, grades: ['gg', 'g', '', 'g'], says: { filigree: 'keep', standard: 'keep', heavy: 'keep' }, note: 'A first look at the new bottle.' },
]; // prettier-ignore

function testSetRun(run: (typeof RUNS)[number], patterns: readonly Pattern[], now: Date): TestSetRun {
  const printedAt = new Date(now.getTime() - run.daysAgo * DAY_MS);
  return {
    id: demoId(`test set ${run.resin}`),
    resinId: demoId(run.resin),
    printerId: demoId(run.printer),
    profileId: null,
    printedAt: printedAt.toISOString(),
    layerMm: run.layerMm,
    exposureS: run.exposureS,
    pieces: SET.flatMap(({ name, ...piece }, s) =>
      [...run.grades[s]!].map((letter, c) => ({
        ...piece,
        key: `${s}-${c}`,
        name,
        patternId: patterns.find((pattern) => pattern.name === name)?.id ?? null,
        print: GRADES[letter]![0],
        cast: GRADES[letter]![1],
        photos: [],
        note: '',
      })),
    ),
    castAlloyId: demoId('Sterling silver'),
    castAt: new Date(printedAt.getTime() + 2 * DAY_MS).toISOString(),
    handsH: 2.5,
    resinG: 24,
    spent: 38,
    verdicts: Object.fromEntries(
      TUNED_CLASSES.map((castClass) => {
        const word = { says: run.says[castClass], keepFor: '' };
        return [castClass, { prints: word, casts: word }];
      }),
    ),
    note: run.note,
  };
}

/** What Gannet Yard tried with its resins, its dates counted from `now`. */
export function demoRecords(
  patterns: readonly Pattern[],
  now: Date,
): Omit<RecordLists, 'recipe' | 'slip' | 'scrapBatch'> {
  return {
    trial: TRIALS.map((story, n) => trial(story, n, now)),
    cureTest: [cureTest(now)],
    testSetRun: RUNS.map((run) => testSetRun(run, patterns, now)),
    sizeSeries: demoSizes(now),
    metalLot: demoLots(now),
    ...demoMolds(patterns, now),
  };
}

/** The shop's fixed plate for judging resins. */
export const demoTestSet = (patterns: readonly Pattern[]): { patternId: string; castClass: TunedClass }[] =>
  SET.flatMap(({ name, castClass }) => {
    const pattern = patterns.find((p) => p.name === name);
    return pattern ? [{ patternId: pattern.id, castClass }] : [];
  });
