import type {
  Alloy,
  Flask,
  Kiln,
  Pattern,
  Pour,
  PourDoc,
  Powder,
  Printer,
  Profile,
  Programme,
  Resin,
  Settings,
  ShopLists,
} from '@zero-pour/contracts';
import { BOOK_SIZES, castsWax, measureStance, NO_ROTATION, type Stance } from '@zero-pour/core';
import { NOTHING_PRINTED, type ShopPrints } from './print/knowPrints';
import type { ShopSizes } from './scale/gatherSizes';

const NOTHING_MEASURED: ShopSizes = { measured: [], learnt: BOOK_SIZES };

/** What the plan looks things up in. */
export interface Shop {
  settings: Settings;
  lists: ShopLists;
  patterns: readonly Pattern[];
  /** What the shop measured of sizes; absent: the book. */
  sizes?: ShopSizes;
  /** What its prints taught; absent: nothing yet. */
  prints?: ShopPrints;
}

/** One line of the brief with its pattern, as it stands on the plate. */
export interface Part {
  pattern: Pattern;
  count: number;
  /** How many are printed, spares apart: a master is printed once. */
  prints: number;
  stance: Stance;
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
  resin: Resin | undefined;
  printer: Printer | undefined;
  profile: Profile | undefined;
  powder: Powder | undefined;
  flask: Flask | undefined;
  kiln: Kiln | undefined;
  alloy: Alloy | undefined;
  programme: Programme | undefined;
  sizes: ShopSizes;
  prints: ShopPrints;
}

const byId = <T extends { id: string }>(list: readonly T[], id: string | undefined): T | undefined =>
  id === undefined ? undefined : list.find((item) => item.id === id);

/** What a plan is made for. */
export type PlannedFor = Pick<Pour, 'doc' | 'used'> & { id?: string };

/** Looks everything up. A poured pour stands on what was used then; an open one on the shop as it is. */
export function resolvePour(pour: PlannedFor, shop: Shop): PourContext {
  const { doc, used } = pour;
  const { lists } = shop;
  const parts = doc.brief.patterns.flatMap(({ patternId, count }) => {
    const pattern = byId(shop.patterns, patternId);
    if (!pattern) return [];
    const rotation = doc.wayUp.rotations[patternId] ?? NO_ROTATION;
    const prints = castsWax(doc.brief.route) ? 1 : count;
    return [{ pattern, count, prints, stance: measureStance(pattern.measure.supportPointsMm, rotation) }];
  });
  return {
    pourId: pour.id,
    doc,
    settings: shop.settings,
    parts,
    castings: parts.reduce((sum, part) => sum + part.count, 0),
    resin: used?.resin ?? byId(lists.resin, doc.resin.resinId),
    printer: used?.printer ?? byId(lists.printer, doc.resin.printerId),
    profile: used?.profile ?? byId(lists.profile, doc.resin.profileId),
    powder: used?.powder ?? byId(lists.powder, doc.invest.powderId),
    flask: used?.flask ?? byId(lists.flask, doc.sprue.flaskId),
    kiln: used?.kiln ?? byId(lists.kiln, doc.burnout.kilnId),
    alloy: used?.alloy ?? byId(lists.alloy, doc.brief.alloyId),
    programme: used?.programme ?? byId(lists.programme, doc.burnout.programmeId),
    sizes: shop.sizes ?? NOTHING_MEASURED,
    prints: shop.prints ?? NOTHING_PRINTED,
  };
}

/** The parts, once there are any. */
export const partsOf = (context: PourContext): readonly Part[] | undefined =>
  context.parts.length > 0 ? context.parts : undefined;

interface NumberedPiece {
  number: string;
  pattern: Pattern;
}

const numbered = (parts: readonly Part[], countOf: (part: Part) => number): NumberedPiece[] =>
  parts
    .flatMap((part) => Array.from({ length: countOf(part) }, () => part.pattern))
    .map((pattern, i) => ({ number: String(i + 1), pattern }));

/** Pattern of each casting, numbered from 1 in the order of the brief. */
export const numberCastings = (parts: readonly Part[]): NumberedPiece[] =>
  numbered(parts, (part) => part.count);

/** Pattern of each printed piece, spares of each pattern included. */
export const numberPrints = (parts: readonly Part[], spares: number): NumberedPiece[] =>
  numbered(parts, (part) => part.prints + spares);
