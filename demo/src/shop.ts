import {
  alloysFromBook,
  programmesFromBook,
  type Alloy,
  type Flask,
  type Kiln,
  type Powder,
  type Printer,
  type Profile,
  type Programme,
  type Resin,
  type ShopLists,
} from '@zero-pour/contracts';
import {
  PATTERN_LIMITS,
  RESIN_CURE_PERCENT,
  THICKEST_MM,
  USUAL_PROTOCOL,
  type CastClass,
  type CleanStep,
} from '@zero-pour/core';
import { demoId } from './demoId';

const withId = <T extends { name: string }>(item: T): T & { id: string } => ({
  id: demoId(item.name),
  ...item,
});

/** Changed times of single steps of the usual protocol. */
function protocol(
  changes: Record<string, Partial<CleanStep>> = {},
  without: readonly string[] = [],
): CleanStep[] {
  return USUAL_PROTOCOL.filter((s) => !without.includes(s.key)).map((s) => ({ ...s, ...changes[s.key] }));
}

function resin(name: string, family: Resin['family'], fields: Partial<Resin>): Resin {
  return withId({
    name,
    family,
    forBurnout: true,
    densityGPerMl: 1.12,
    pricePerKg: 180,
    bottleG: 500,
    colour: 'teal',
    curePercent: RESIN_CURE_PERCENT[family],
    supportsPercent: 30,
    cleanOutH: 3,
    finestMm: PATTERN_LIMITS.finestMm,
    thickestMm: family === 'wax-free' ? THICKEST_MM.waxFree : THICKEST_MM.usual,
    rampMaxCPerH: 120,
    fastAllowed: false,
    printFromC: 22,
    skin: 'dull, dry',
    protocol: protocol(),
    note: '',
    ...fields,
  });
}

const resins: Resin[] = [
  resin('Skerry Wax 55', 'wax-rich', {
    densityGPerMl: 1.08,
    finestMm: 0.35,
    pricePerKg: 260,
    colour: 'blue-green',
    cleanOutH: 2.5,
    printFromC: 26,
    skin: 'waxy, dull',
    note: 'Warm the bottle: sets below 24 °C.',
    protocol: protocol({ cure: { minMinutes: 5, maxMinutes: 10 } }),
  }),
  resin('Skerry Wax 40', 'wax-rich', {
    densityGPerMl: 1.09,
    pricePerKg: 235,
    colour: 'sea green',
    printFromC: 24,
    skin: 'waxy',
  }),
  resin('Skerry Low-Ash', 'low-wax', {
    pricePerKg: 210,
    colour: 'amber',
    cleanOutH: 4,
    protocol: protocol({ rest: { minMinutes: 40 } }),
  }),
  resin('Skerry Low-Ash Fine', 'low-wax', {
    densityGPerMl: 1.13,
    finestMm: 0.2,
    pricePerKg: 225,
    colour: 'pale amber',
    cleanOutH: 4,
  }),
  resin('Brine Clear-Out', 'wax-free', {
    densityGPerMl: 1.15,
    pricePerKg: 190,
    colour: 'clear',
    cleanOutH: 3.5,
    fastAllowed: true,
    rampMaxCPerH: 300,
    skin: 'glossy, dry',
  }),
  resin('Brine Clear-Out Amber', 'wax-free', {
    densityGPerMl: 1.15,
    pricePerKg: 195,
    colour: 'honey',
    cleanOutH: 3.5,
    fastAllowed: true,
    rampMaxCPerH: 300,
    skin: 'glossy, dry',
  }),
  resin('Basalt Master', 'heat-resistant master', {
    densityGPerMl: 1.19,
    pricePerKg: 160,
    colour: 'slate',
    forBurnout: false,
    supportsPercent: 20,
    note: 'For rubber molds only.',
  }),
  resin('Selkie Flex', 'flexible mold', {
    densityGPerMl: 1.1,
    pricePerKg: 140,
    colour: 'milky',
    forBurnout: false,
    supportsPercent: 10,
    note: 'For printed molds only.',
  }),
];

const printers: Printer[] = [
  {
    name: 'Printer A',
    light: 'screen',
    wavelengthNm: 405,
    pixelUm: 35,
    plateXMm: 120,
    plateYMm: 68,
    plateZMm: 150,
    heatedVat: false,
    motionS: 6.2,
    costPerH: 0.35,
    note: '',
  },
  {
    name: 'Printer B',
    light: 'screen',
    wavelengthNm: 405,
    pixelUm: 19,
    plateXMm: 134,
    plateYMm: 75,
    plateZMm: 130,
    heatedVat: true,
    motionS: 7.4,
    costPerH: 0.6,
    note: 'Heated vat, 28 °C.',
  },
  {
    name: 'Printer C',
    light: 'projector',
    wavelengthNm: 385,
    pixelUm: 50,
    plateXMm: 96,
    plateYMm: 54,
    plateZMm: 100,
    heatedVat: false,
    motionS: 5.1,
    costPerH: 0.9,
    note: '',
  },
].map((printer) => withId(printer as Omit<Printer, 'id'>));

const idOf = (list: readonly { id: string; name: string }[], name: string): string => {
  const found = list.find((item) => item.name === name);
  if (!found) throw new Error(`no ${name} in the demo shop`);
  return found.id;
};

function profile(
  resinName: string,
  printerName: string,
  castClass: CastClass,
  layerMm: number,
  exposureS: number,
  provenance: string,
): Profile {
  return withId({
    name: `${resinName} · ${printerName} · ${castClass}`,
    resinId: idOf(resins, resinName),
    printerId: idOf(printers, printerName),
    castClass,
    layerMm,
    exposureS,
    baseExposureS: Math.round(exposureS * 8),
    baseLayers: 6,
    transitionLayers: 6,
    raftMl: 1.5,
    tested: !provenance.startsWith('maker'),
    provenance,
    note: '',
  });
}

const profiles: Profile[] = [
  profile('Skerry Wax 55', 'Printer A', 'filigree', 0.05, 3.7, '4 coupons, 28 °C'),
  profile('Skerry Wax 55', 'Printer A', 'standard', 0.05, 3.4, '3 coupons, 26 °C'),
  profile('Skerry Wax 55', 'Printer A', 'heavy', 0.05, 3.0, '2 coupons, 26 °C'),
  profile('Skerry Low-Ash', 'Printer A', 'standard', 0.05, 2.6, '3 coupons, 23 °C'),
  profile('Skerry Low-Ash', 'Printer B', 'filigree', 0.035, 2.1, '5 coupons, 28 °C'),
  profile('Skerry Low-Ash Fine', 'Printer B', 'filigree', 0.03, 1.9, 'maker’s sheet'),
  profile('Brine Clear-Out', 'Printer C', 'standard', 0.05, 1.8, '2 coupons, 22 °C'),
  profile('Brine Clear-Out', 'Printer A', 'heavy', 0.05, 2.8, 'maker’s sheet'),
];

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
    note: 'Slow to cool.',
  },
  { name: 'Kiln 2', litres: 3, maxC: 950, maxRampCPerH: 600, coolTauH: 3, costPerH: 0.3, note: '' },
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
  resin: resins,
  printer: printers,
  profile: profiles,
  powder: powders,
  flask: flasks,
  kiln: kilns,
  alloy: alloys,
  programme: programmes,
};

/** Id of a thing of the demo shop, by its name. */
export const demoItemId = (kind: keyof ShopLists, name: string): string => idOf(DEMO_LISTS[kind], name);
