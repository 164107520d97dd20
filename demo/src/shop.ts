import {
  alloysFromBook,
  programmesFromBook,
  type Alloy,
  type Flask,
  type Kiln,
  type Powder,
  type Programme,
  type ShopLists,
} from '@zero-pour/contracts';
import { demoId } from './demoId';
import { PRINTERS } from './exposure/printers';
import { PROFILES } from './exposure/profiles';
import { RESINS } from './exposure/resins';

const withId = <T extends { name: string }>(item: T): T & { id: string } => ({
  id: demoId(item.name),
  ...item,
});

const idOf = (list: readonly { id: string; name: string }[], name: string): string => {
  const found = list.find((item) => item.name === name);
  if (!found) throw new Error(`no ${name} in the demo shop`);
  return found.id;
};

const powders: Powder[] = [
  {
    name: 'Harbour White',
    grade: 'standard',
    ratioLeast: 0.38,
    ratioUsual: 0.4,
    ratioMost: 0.42,
    workingMinAt22C: 9.5,
    setH: 2,
    ceilingC: 730,
    pricePerKg: 2.4,
    note: '',
  },
  {
    name: 'Harbour Stout',
    grade: 'resin',
    ratioLeast: 0.36,
    ratioUsual: 0.4,
    ratioMost: 0.42,
    workingMinAt22C: 9.5,
    setH: 2.5,
    ceilingC: 750,
    pricePerKg: 3.6,
    note: 'Resin grade.',
  },
].map((powder) => withId(powder as Omit<Powder, 'id'>));

const flask = (d: number, h: number, perforated = false): Flask =>
  withId({
    name: `${d} × ${h}${perforated ? ' perforated' : ''}`,
    innerDiameterMm: d,
    heightMm: h,
    coneDiameterMm: Math.round(d * 0.33),
    coneHeightMm: Math.round(d * 0.16),
    perforated,
    note: '',
  });
const flasks: Flask[] = [
  flask(51, 64),
  flask(64, 76),
  flask(64, 102),
  flask(76, 76),
  flask(76, 102),
  flask(76, 102, true),
  flask(89, 127),
  flask(100, 150),
];

const kilns: Kiln[] = [
  {
    name: 'Kiln 1',
    litres: 7,
    maxC: 1000,
    maxRampCPerH: 420,
    coolTauH: 5.2,
    costPerH: 0.45,
    flasksMost: 4,
    note: 'Slow to cool.',
  },
  {
    name: 'Kiln 2',
    litres: 3,
    maxC: 950,
    maxRampCPerH: 600,
    coolTauH: 3,
    costPerH: 0.3,
    flasksMost: 2,
    note: '',
  },
].map((kiln) => withId(kiln));

const PRICES: Record<string, number> = {
  'Sterling silver': 0.95, 'Fine silver': 1, '9 ct yellow gold': 27, '14 ct yellow gold': 42, '18 ct yellow gold': 54, '18 ct rose gold': 54,
  '22 ct yellow gold': 66, 'Tin bronze 90/10': 0.03, 'Silicon bronze': 0.03, 'Yellow brass 70/30': 0.02, 'Zinc-aluminium 12': 0.01, 'Pewter 92/7/1': 0.04,
}; // prettier-ignore
const alloys: Alloy[] = alloysFromBook().map((alloy) =>
  withId({ ...alloy, pricePerG: PRICES[alloy.name] ?? 0 }),
);
const programmes: Programme[] = programmesFromBook().map(withId);

/** What Gannet Yard Casting Room owns. */
export const DEMO_LISTS: ShopLists = {
  resin: RESINS,
  printer: PRINTERS,
  profile: PROFILES,
  powder: powders,
  flask: flasks,
  kiln: kilns,
  alloy: alloys,
  programme: programmes,
};

/** Id of a thing of the demo shop, by its name. */
export const demoItemId = (kind: keyof ShopLists, name: string): string => idOf(DEMO_LISTS[kind], name);
