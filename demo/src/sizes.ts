import type { SizeSeries } from '@zero-pour/contracts';
import { demoId } from './demoId';
import { DEMO_LISTS, demoItemId } from './shop';

const DAY_MS = 24 * 3_600_000;
type Axis = SizeSeries['pairs'][number]['axis'];

interface Story {
  name: string;
  resin: string;
  printer: string;
  alloy?: string;
  stage: SizeSeries['stage'];
  route?: SizeSeries['route'];
  moldMaterial?: SizeSeries['moldMaterial'];
  daysAgo: number;
  lot: string;
  /** Axis, size in the printed file, readings. */
  pairs: readonly [axis: Axis, printMm: number, ...readingsMm: number[]][];
  note: string;
}

const LOW_ASH = { resin: 'Skerry Low-Ash', printer: 'Printer A' };
const WAX = { resin: 'Skerry Wax 55', printer: 'Printer A' };
const MASTER = { resin: 'Basalt Master', printer: 'Printer A', route: 'wax from a rubber mold', moldMaterial: 'natural rubber' } as const; // prettier-ignore

/** Sizes that this shop measured: step blocks off the printer, cast blocks, and the first waxes of a rubber mold. */
const SERIES: readonly Story[] = [
  { ...LOW_ASH, name: 'low-ash block', stage: 'cured', daysAgo: 46, lot: 'bottle 1', note: 'Step block, calipers.', pairs: [['XY', 2, 2.02, 2.03], ['XY', 5, 5.01, 5.02], ['XY', 10, 10.0, 9.99], ['XY', 18, 17.97, 17.98], ['Z', 5, 4.99], ['Z', 10, 9.97], ['bore', 17.5, 17.42, 17.43]] },
  { ...LOW_ASH, name: 'low-ash cast', alloy: '14 ct yellow gold', stage: 'cast', daysAgo: 16, lot: 'bottle 1', note: 'Bars beside the band rings.', pairs: [['XY', 5, 4.96], ['XY', 10, 9.88], ['XY', 18, 17.74]] },
  { ...WAX, name: 'wax block 1', stage: 'cured', daysAgo: 58, lot: 'bottle 1', note: '', pairs: [['XY', 5, 4.99], ['XY', 10, 9.96], ['XY', 18, 17.92]] },
  { ...WAX, name: 'wax block 2', stage: 'cured', daysAgo: 40, lot: 'bottle 1', note: '', pairs: [['XY', 5, 4.98], ['XY', 10, 9.95], ['XY', 18, 17.9]] },
  { ...WAX, name: 'wax block 3', stage: 'cured', daysAgo: 12, lot: 'bottle 2', note: 'New bottle.', pairs: [['XY', 5, 4.97], ['XY', 10, 9.92], ['XY', 18, 17.85]] },
  { ...MASTER, name: 'signet waxes', stage: 'wax', daysAgo: 20, lot: '', note: 'First three waxes of the signet blank.', pairs: [['XY', 15, 14.52, 14.53, 14.5], ['XY', 12, 11.63, 11.61], ['bore', 18, 17.42, 17.4]] },
]; // prettier-ignore

/** What it was printed with: the profile of ordinary parts. */
const profileOf = ({ resin, printer }: Story): string | null =>
  DEMO_LISTS.profile.find(
    (p) =>
      !p.replaced &&
      p.castClass === 'standard' &&
      p.resinId === demoItemId('resin', resin) &&
      p.printerId === demoItemId('printer', printer),
  )?.id ?? null;

export const demoSizes = (now: Date): SizeSeries[] =>
  SERIES.map((story) => ({
    id: demoId(`sizes ${story.name}`),
    resinId: demoItemId('resin', story.resin),
    printerId: demoItemId('printer', story.printer),
    profileId: profileOf(story),
    alloyId: story.alloy ? demoItemId('alloy', story.alloy) : null,
    powderId: story.alloy ? demoItemId('powder', 'Harbour Stout') : null,
    route: story.route ?? 'burn out the print',
    moldMaterial: story.moldMaterial ?? null,
    flaskC: story.alloy ? 500 : null,
    stage: story.stage,
    measuredAt: new Date(now.getTime() - story.daysAgo * DAY_MS).toISOString(),
    lot: story.lot,
    pairs: story.pairs.map(([axis, printMm, ...readingsMm], i) => ({
      key: String(i + 1),
      axis,
      printMm,
      readingsMm,
      leftOut: false,
    })),
    note: story.note,
  }));
