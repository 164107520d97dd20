import type {
  Alloy,
  Flask,
  Kiln,
  KilnCurve,
  MetalLot,
  Mold,
  Pattern,
  Pour,
  PourDoc,
  PourFlask,
  Powder,
  Printer,
  Profile,
  Programme,
  Resin,
  Settings,
  ShopLists,
} from '@zero-pour/contracts';
import { BOOK_SIZES, measureStance, NO_ROTATION } from '@zero-pour/core';
import { houseOf } from './burnout/houseOf';
import { moldOf, type PourMold } from './mold/pourMold';
import { castLines, type Part } from './part';
import { castPieces, type PlannedPiece } from './pieces';
import { isNotRead, NO_READINGS, notingReadings, type NotRead, type Readings } from './readings';
import { NOTHING_PRINTED, type ShopPrints } from './print/knowPrints';
import type { ShopSizes } from './scale/gatherSizes';

const NOTHING_MEASURED: ShopSizes = { measured: [], learnt: BOOK_SIZES };

/** What the plan looks things up in. */
export interface Shop {
  settings: Settings;
  lists: ShopLists;
  patterns: readonly Pattern[];
  /** What the shop measured of sizes; absent: nothing was. */
  sizes?: ShopSizes | NotRead;
  /** What its prints taught; absent: nothing yet. */
  prints?: ShopPrints | NotRead;
  /** What long computations said; absent: nothing read. */
  readings?: Readings;
  /** The shop's lots of metal; absent: not read, or none are kept. */
  lots?: readonly MetalLot[];
  /** The shop's molds; absent: not read. */
  molds?: readonly Mold[] | undefined;
  /** Logs of its kilns with their readings, the newest first; absent: none, or not read. */
  kilnRuns?: readonly KilnCurve[];
}

/** One flask of the pour with what hangs in it; the shop's flask is undefined until it is chosen. */
export interface FlaskContext {
  decided: PourFlask;
  flask: Flask | undefined;
  /** The lines of which something hangs in it, with as many as do. */
  parts: Part[];
  /** All that hangs in it, one by one. */
  pieces: PlannedPiece[];
  castings: number;
}

/** A pour with everything it names looked up; what is not chosen, or gone, is undefined. */
export interface PourContext {
  /** Undefined for a pour that is only thought of. */
  pourId: string | undefined;
  doc: PourDoc;
  settings: Settings;
  parts: Part[];
  /** Castings wanted in all. */
  castings: number;
  /** Never empty. */
  flasks: FlaskContext[];
  resin: Resin | undefined;
  /** Of other prints that burn in the same flask; as the shop has them now. */
  alongside: Resin[];
  printer: Printer | undefined;
  profile: Profile | undefined;
  powder: Powder | undefined;
  kiln: Kiln | undefined;
  alloy: Alloy | undefined;
  programme: Programme | undefined;
  /** The mold that its waxes come from; none where the print itself burns out. */
  mold: PourMold | undefined;
  moldsRead: boolean;
  /** The book's, and nothing, where the record is not read. */
  sizes: ShopSizes;
  prints: ShopPrints;
  /** What of the record is not there, and why. */
  lots: readonly MetalLot[];
  notRead: { sizes?: NotRead; prints?: NotRead };
  /** What was written down of the kiln that burnt it out; undefined: nothing, or not read. */
  kilnRun: KilnCurve | undefined;
  readings: ReturnType<typeof notingReadings>;
}

const byId = <T extends { id: string }>(list: readonly T[], id: string | undefined): T | undefined =>
  id === undefined ? undefined : list.find((item) => item.id === id);

/** What a plan is made for. */
export type PlannedFor = Pick<Pour, 'doc' | 'used'> & { id?: string };

function partsOfBrief(doc: PourDoc, patterns: readonly Pattern[]): Part[] {
  return castLines(doc, (id) => byId(patterns, id)).map((line) => {
    const rotation = doc.wayUp.lines[line.key]?.rotation ?? NO_ROTATION;
    const stance = measureStance(line.pattern.measure.supportPointsMm, rotation);
    return { ...line, rotation, stance };
  });
}

/** What hangs in each flask: as decided, else all that is cast and hangs in no other. */
function flasksOf({ doc, used }: PlannedFor, parts: Part[], flasks: readonly Flask[]): FlaskContext[] {
  const cast = castPieces({ doc, parts });
  const placed = new Set(doc.flasks.flatMap(({ pieces }) => pieces ?? []));
  return doc.flasks.map((decided) => {
    const hangs = cast.filter(({ key }) => decided.pieces?.includes(key) ?? !placed.has(key));
    const inIt = parts
      .map((part) => ({ ...part, count: hangs.filter(({ line }) => line === part.key).length }))
      .filter(({ count }) => count > 0);
    const flask = used?.flasks?.[decided.key] ?? byId(flasks, decided.sprue.flaskId);
    return { decided, flask, parts: inIt, pieces: hangs, castings: hangs.length };
  });
}

/** Looks everything up. A poured pour stands on what was used then; an open one on the shop as it is. */
export function resolvePour(pour: PlannedFor, shop: Shop): PourContext {
  const { doc, used } = pour;
  const { lists } = shop;
  const parts = partsOfBrief(doc, shop.patterns);
  return {
    pourId: pour.id,
    doc,
    settings: shop.settings,
    parts,
    castings: parts.reduce((sum, part) => sum + part.count, 0),
    flasks: flasksOf(pour, parts, lists.flask),
    resin: used?.resin ?? byId(lists.resin, doc.resin.resinId),
    alongside: (doc.burnout.alongside?.resinIds ?? []).flatMap((id) => byId(lists.resin, id) ?? []),
    printer: used?.printer ?? byId(lists.printer, doc.resin.printerId),
    profile: used?.profile ?? byId(lists.profile, doc.resin.profileId),
    powder: used?.powder ?? byId(lists.powder, doc.invest.powderId),
    // What a casting house has takes no kiln here.
    kiln: houseOf({ doc, settings: shop.settings })
      ? undefined
      : (used?.kiln ?? byId(lists.kiln, doc.burnout.kilnId)),
    alloy: used?.alloy ?? byId(lists.alloy, doc.brief.alloyId),
    programme: used?.programme ?? byId(lists.programme, doc.burnout.programmeId),
    mold: moldOf(doc, shop.molds, { parts, resins: lists.resin }),
    moldsRead: shop.molds !== undefined,
    ...recordOf(shop),
    lots: shop.lots ?? [],
    kilnRun: shop.kilnRuns?.find(({ run }) => run.pourId !== null && run.pourId === pour.id),
    readings: notingReadings(shop.readings ?? NO_READINGS),
  };
}

function recordOf({ sizes = NOTHING_MEASURED, prints = NOTHING_PRINTED }: Shop) {
  return {
    sizes: isNotRead(sizes) ? NOTHING_MEASURED : sizes,
    prints: isNotRead(prints) ? NOTHING_PRINTED : prints,
    notRead: { ...(isNotRead(sizes) ? { sizes } : {}), ...(isNotRead(prints) ? { prints } : {}) },
  };
}

/** The parts, once there are any. */
export const partsOf = (context: PourContext): readonly Part[] | undefined =>
  context.parts.length > 0 ? context.parts : undefined;
