import {
  patternSchema,
  pourDocSchema,
  SHOP_ITEM_SCHEMAS,
  SHOP_KINDS,
  type Pattern,
  type ShopLists,
} from '@zero-pour/contracts';
import { METRIC, STAGES } from '@zero-pour/core';
import fc from 'fast-check';
import type { z } from 'zod';
import { describe, expect, it } from 'vitest';
import {
  boardConflicts,
  boardRows,
  castPieces,
  explainPrint,
  givensOf,
  layOutPlate,
  nextHandsOn,
  piecesWorth,
  planPour,
  plateNow,
  printedPieces,
  stageLine,
  valueOf,
  writeTicket,
  type Figure,
  type Shop,
} from './index';
import { accepted, type Overrides } from './testing/arbitrary';
import { blockPattern, BLOCK_ID, fullDoc, id, planShop } from './testing/planShop';

/** Enough to have found each fault that was mended, in some seconds. */
const RUNS = 20;
const NOW = new Date(2026, 10, 26, 9, 15);
const one = (n: number): fc.Arbitrary<string> => fc.constantFrom(id(n), id(n + 900));
/** What a kiln showed, from the coldest to the hottest. */
const rates = fc
  .uniqueArray(
    fc.record({
      tempC: fc.double({ min: 30, max: 1300, noNaN: true }),
      cPerH: fc.double({ min: 1, max: 20_000, noNaN: true }),
      offCPerH: fc.double({ min: 0, max: 20_000, noNaN: true }),
    }),
    { maxLength: 4, selector: ({ tempC }) => tempC },
  )
  .map((list) => list.sort((a, b) => a.tempC - b.tempC));
/** References meet what the shop has, or something that is gone; lines and flasks have few names. */
const MEET: Overrides = {
  patternId: fc.constantFrom(BLOCK_ID, BLOCK_ID, id(998)),
  alloyId: one(100),
  resinId: one(10),
  printerId: one(11),
  profileId: one(12),
  powderId: one(13),
  flaskId: one(14),
  kilnId: one(15),
  programmeId: one(200),
  lineKey: fc.constantFrom('l1', 'l2', null),
  photos: fc.constant([]),
  climbs: rates,
  cools: rates,
  // Laying hundreds of outlines on a plate takes seconds, and finds nothing that a dozen does not.
  spares: fc.integer({ min: 0, max: 6 }),
};
/** How a line stands: the schema of the record's values. */
const STANDING = pourDocSchema.shape.wayUp.shape.lines.valueType;
const line = fc.constantFrom('l1', 'l2', 'l3');
const docs = accepted(pourDocSchema, {
  ...MEET,
  'brief.lines': fc.uniqueArray(
    fc.record({ key: line, patternId: MEET['patternId']!, count: fc.integer({ min: 1, max: 12 }) }),
    { selector: (entry) => entry.key, maxLength: 3 },
  ),
  'wayUp.lines': fc.dictionary(line, accepted(STANDING), { maxKeys: 3, noNullPrototype: true }),
});

const ids: Record<string, number> = { alloy: 100, resin: 10, printer: 11, profile: 12, powder: 13, flask: 14, kiln: 15, programme: 200 }; // prettier-ignore
/** A shop with one of each kind, of whatever its schema takes. */
const lists = fc.record(
  Object.fromEntries(
    SHOP_KINDS.map((kind) => [
      kind,
      accepted(SHOP_ITEM_SCHEMAS[kind] as z.ZodType<object>, MEET).map((item) => [
        { ...item, id: id(ids[kind]!) },
      ]),
    ]),
  ),
) as fc.Arbitrary<unknown> as fc.Arbitrary<ShopLists>;
const { supportPointsMm } = blockPattern().measure;
const patterns: fc.Arbitrary<Pattern> = accepted(patternSchema.shape.measure, {
  supportPointsMm: fc.constant(supportPointsMm),
}).map((measure) => blockPattern(measure));
const shops: fc.Arbitrary<Shop> = fc
  .tuple(lists, patterns)
  .map(([own, pattern]) => ({ ...planShop(pattern), lists: own }));

function* figuresIn(value: unknown, depth = 0): Iterable<Figure> {
  if (typeof value !== 'object' || value === null || depth > 6) return;
  if ('formula' in value) {
    yield value as Figure;
    for (const given of givensOf((value as Figure).formula)) yield* figuresIn(given.figure, depth + 1);
  } else for (const below of Object.values(value)) yield* figuresIn(below, depth + 1);
}

/** Everything that a page asks of a pour. */
function askAll(doc: Parameters<typeof planPour>[0]['doc'], shop: Shop): void {
  const plan = planPour({ doc }, shop);
  for (const { key } of STAGES) stageLine(key, plan, METRIC);
  for (const section of writeTicket(plan))
    for (const of of figuresIn(section)) expect(Number.isNaN(of.value), of.name).toBe(false);
  const { context } = plan;
  explainPrint(context);
  piecesWorth(context, NOW.toISOString());
  layOutPlate(context, 1);
  for (const pieces of [printedPieces(context), castPieces(context)])
    expect(new Set(pieces.map(({ key }) => key)).size).toBe(pieces.length);
  const print = valueOf(plan.print);
  if (print) plateNow(context, print);
  const pour = { id: id(1), number: 1, createdAt: NOW.toISOString(), changedAt: NOW.toISOString(), discarded: false, doc }; // prettier-ignore
  const rows = boardRows([pour, { ...pour, id: id(2) }], shop);
  nextHandsOn(rows);
  boardConflicts(rows, NOW.getTime(), String);
}

describe('a plan never throws', () => {
  it('for a document that the schema accepts, in a usual shop', () => {
    fc.assert(
      fc.property(docs, (doc) => askAll(doc, planShop())),
      { seed: 5, numRuns: RUNS },
    );
  }, 120_000);

  it('for a shop that the schemas accept, with a usual document', () => {
    fc.assert(
      fc.property(shops, (shop) => askAll(fullDoc(NOW), shop)),
      { seed: 6, numRuns: RUNS },
    );
  }, 120_000);

  it('for both', () => {
    fc.assert(fc.property(docs, shops, askAll), { seed: 7, numRuns: RUNS });
  }, 120_000);

  it('for a metal whose flasks are hotter than a kiln’s curve goes: it is told, and the board stands', () => {
    const shop = planShop();
    const alloy = shop.lists.alloy.map((one_) => ({ ...one_, flask: { ...one_.flask, standard: { lowC: 1100, highC: 1250 } } })); // prettier-ignore
    const plan = planPour({ doc: fullDoc(NOW) }, { ...shop, lists: { ...shop.lists, alloy } });
    expect(plan.burnout).toMatchObject({ status: 'impossible', stage: 'pour' });
    expect(JSON.stringify(writeTicket(plan))).toContain('programme, kiln and metal');
  });
});
