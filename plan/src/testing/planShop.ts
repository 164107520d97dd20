import {
  alloysFromBook,
  DEFAULT_SETTINGS,
  emptyPourDoc,
  programmesFromBook,
  usualPrinter,
  usualProfile,
  usualResin,
  type Pattern,
  type PouredPrint,
  type PourDoc,
  type Printer,
  type Resin,
  type ShopLists,
  type SizeTarget,
} from '@zero-pour/contracts';
import { NO_ROTATION, type SupportAdvice } from '@zero-pour/core';
import { patternJob, standingJob, type StandingInput } from '@zero-pour/jobs';
import type { Shop } from '../context';
import type { PourPlan } from '../planPour';
import type { Readings } from '../readings';

/** Ids that read well in failures: the last digits tell the thing. */
export const id = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

export const BLOCK_ID = id(1);
/** A block 20 × 10 × 8 mm, its corners as support points. */
export function blockPattern(change: Partial<Pattern['measure']> = {}): Pattern {
  const points: number[] = [];
  for (let i = 0; i < 8; i++) points.push(i & 1 ? 20 : 0, i & 2 ? 10 : 0, i & 4 ? 8 : 0);
  return {
    id: BLOCK_ID,
    name: 'Block',
    fileName: 'block.stl',
    fileHash: 'a'.repeat(64),
    note: '',
    formerId: null,
    classOverride: null,
    createdAt: '2026-11-01T08:00:00.000Z',
    measure: {
      format: 'stl-binary',
      unitMm: 1,
      triangles: 12,
      vertices: 8,
      closed: true,
      openEdges: 0,
      crowdedEdges: 0,
      turnedEdges: 0,
      degenerate: 0,
      shells: 1,
      inwardShells: 0,
      reversed: false,
      sizeMm: [20, 10, 8],
      areaMm2: 880,
      volumeMm3: 1600,
      volumePlusMinusMm3: 0,
      bodySumMm3: 1600,
      overlapMm3: 0,
      supportPointsMm: points,
      ...change,
    },
  };
}

const resin: Resin = {
  ...usualResin('low-wax'),
  id: id(10),
  name: 'Skerry Low-Ash',
  pricePerKg: 200,
  curePercent: -0.3,
  cleanOutH: 4,
  finestMm: 0.3,
  thickestMm: 4,
  rampMaxCPerH: 120,
};
const printer: Printer = { ...usualPrinter(), id: id(11), name: 'Printer A', costPerH: 0.5 };

const lists: ShopLists = {
  resin: [resin],
  printer: [printer],
  profile: [
    {
      ...usualProfile(resin, printer, 'standard'),
      id: id(12),
      name: 'P',
      baseExposureS: 27,
      baseLayers: 5,
      transitionLayers: 0,
      tested: true,
      provenance: '',
    },
  ],
  powder: [
    {
      id: id(13),
      name: 'Harbour Stout',
      grade: 'resin',
      ratioLeast: 0.38,
      ratioUsual: 0.4,
      ratioMost: 0.42,
      workingMinAt22C: 9.5,
      setH: 2.5,
      ceilingC: 750,
      pricePerKg: 3,
      note: '',
    },
  ],
  flask: [
    {
      id: id(14),
      name: '76 × 102',
      innerDiameterMm: 76,
      heightMm: 102,
      coneDiameterMm: 25,
      coneHeightMm: 12,
      perforated: false,
      note: '',
    },
  ],
  kiln: [
    {
      id: id(15),
      name: 'Kiln 1',
      litres: 7,
      maxC: 1000,
      maxRampCPerH: 400,
      coolTauH: 5,
      costPerH: 0.4,
      note: '',
    },
  ],
  alloy: alloysFromBook().map((alloy, i) => ({ ...alloy, id: id(100 + i), pricePerG: 1 })),
  programme: programmesFromBook().map((programme, i) => ({ ...programme, id: id(200 + i) })),
};

/** A shop with one of each thing, and the book's metals and programmes. */
export const planShop = (pattern: Pattern = blockPattern(), change: Partial<ShopLists> = {}): Shop => ({
  settings: {
    ...DEFAULT_SETTINGS,
    benchHours: DEFAULT_SETTINGS.benchHours.map((day) => ({ ...day, open: true })),
  },
  lists: { ...lists, ...change },
  patterns: [pattern],
});

const STERLING = lists.alloy.find((a) => a.name === 'Sterling silver')!.id;
const STEPPED = lists.programme.find((p) => p.name === 'Stepped, wax-free, flask to 80 mm')!.id;

/** Key of the one line of its brief. */
export const LINE = 'l1';
/** The decisions of its one flask, to be changed. */
export const flaskOf = (doc: PourDoc) => doc.flasks[0]!;

/** A pour of two blocks in sterling with everything chosen, to be poured at `zeroAt`. */
export function fullDoc(zeroAt: Date, change: (doc: PourDoc) => void = () => {}): PourDoc {
  const doc = emptyPourDoc();
  doc.brief.lines = [{ key: LINE, patternId: BLOCK_ID, count: 2 }];
  doc.brief.alloyId = STERLING;
  doc.brief.zeroAt = zeroAt.toISOString();
  doc.resin = { resinId: id(10), printerId: id(11), profileId: id(12) };
  doc.wayUp.lines = { [LINE]: { gates: { count: 1, diameterMm: 8, lengthMm: 8 } } };
  doc.flasks[0]!.sprue.flaskId = id(14);
  doc.invest.powderId = id(13);
  doc.burnout = { kilnId: id(15), programmeId: STEPPED, hands: {} };
  change(doc);
  return doc;
}

/** A size that must hold in the finished piece: 20 mm over metal unless told otherwise. */
export const wanted = (change: Partial<SizeTarget> = {}): SizeTarget => ({
  key: 'held',
  name: 'Size',
  lineKey: null,
  of: 'outside',
  finishedMm: 20,
  holds: true,
  ...change,
});

/** A print of the shop's printer with its resin, started a while ago. */
export const pouredPrint = (change: Partial<PouredPrint> = {}): PouredPrint => ({
  pourId: id(50),
  number: 1,
  startedAt: '2026-11-01T08:00:00.000Z',
  resinId: id(10),
  castClass: 'standard',
  route: 'burn out the print',
  print: { pieces: {} },
  washedAt: null,
  lines: [{ key: LINE, patternId: BLOCK_ID, count: 2 }],
  spares: 0,
  outcomes: {},
  ...change,
});

/** A plan of one flask, with what is worked out of that flask beside the rest. */
export function ofOneFlask(plan: PourPlan) {
  const { tree, charge, temperatures } = plan.flasks[0]!;
  return { ...plan, tree, charge, temperatures };
}

/** Readings in which every file has this finger's bore; null: none. */
export const boreReadings = (diameterMm: number | null): Readings => ({
  of: (job) => {
    if (job.name !== patternJob.name) return { status: 'unread' };
    const bore =
      diameterMm === null ? null : { diameterMm, at: [0, 0, 0], axis: [0, 0, 1], residualMm: 0.01 };
    return {
      status: 'known',
      value: { result: { status: 'analysed', analysis: { bore, thickness: { histogramMm3: [] } } } } as never,
    };
  },
});

/** Readings in which the layers of a part say so of the way that it was cut, and nothing of any other. */
export function cutReadings(
  cut: { islands: number; overhangMm2: number; peakMm2: number; firstMm2: number },
  rotation = NO_ROTATION,
): Readings {
  const island = { layer: 1, areaMm2: 1, at: [0, 0, 0] as [number, number, number] };
  const advice: SupportAdvice = {
    points: [],
    islands: [],
    bothSides: false,
    more: false,
    direction: {
      heightMm: 8,
      areaMm2: [],
      perimeterMm: [],
      overhangByLayerMm2: [],
      overhangMm2: cut.overhangMm2,
      firstLayerMm2: cut.firstMm2,
      peak: { layer: 0, areaMm2: cut.peakMm2 },
      meanAreaMm2: 0,
      jump: { layer: 0, changeMm2: 0 },
      islands: Array.from({ length: cut.islands }, () => island),
      cups: [],
    },
  };
  return {
    of: (job, input) => {
      const { rotation: asked } = input as StandingInput;
      const same =
        job.name === standingJob.name && asked.xDeg === rotation.xDeg && asked.yDeg === rotation.yDeg;
      return same ? { status: 'known', value: advice as never } : { status: 'unread' };
    },
  };
}
