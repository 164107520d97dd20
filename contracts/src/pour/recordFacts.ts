import { FLAW_KINDS, FLAW_ZONES, HOUR_MS, type FlawKind, type Unit } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema, momentSchema } from '../parts';
import { readingValue, type Reading } from '../quantities';
import { becameOf, type Casting } from './outcome';
import { ranOf } from './pourFlask';
import { pourDiffers } from './usesRecipe';
import type { PourDoc } from './pourDoc';

/** Numbers of a pour that the record is searched and sorted by. */
export const FACT_NUMBERS = {
  looked: { label: 'Castings looked at', unit: 'count' },
  sellable: { label: 'Sellable', unit: 'count' },
  sharePercent: { label: 'Sellable of them', unit: 'percent' },
  flaskC: { label: 'Flask, as read', unit: 'degC' },
  metalC: { label: 'Metal, as read', unit: 'degC' },
  vacuumKpa: { label: 'Vacuum pulled', unit: 'kPa' },
  outMin: { label: 'Out of the kiln', unit: 'min' },
  solidMin: { label: 'Button solid after', unit: 'min' },
  quenchMin: { label: 'Quenched after', unit: 'min' },
  clearedMin: { label: 'Clearing took', unit: 'min' },
  chargeG: { label: 'Charge, as weighed', unit: 'g' },
  backG: { label: 'Metal back', unit: 'g' },
  ratio: { label: 'Water ÷ powder, weighed or typed', unit: 'ratio' },
  printedPercent: { label: 'Printed at', unit: 'percent' },
  coreH: { label: 'Core hot enough to burn carbon', unit: 'h' },
  vatDays: { label: 'Resin in the vat at the print', unit: 'days' },
  printOffPercent: { label: 'Print took longer than reckoned', unit: 'percent' },
  chargeOffPercent: { label: 'Charge weighed over what was reckoned', unit: 'percent' },
  finishingMin: { label: 'Finishing took', unit: 'min' },
} as const satisfies Record<string, { label: string; unit: Unit }>;
export type FactName = keyof typeof FACT_NUMBERS;
export const FACT_NAMES = Object.keys(FACT_NUMBERS) as [FactName, ...FactName[]];

/** What the record finds a pour by: numbers that are known, and words. */
export type RecordFacts = Partial<Record<FactName, number>> & {
  /** Flaws, their zones and severities, how it ran and opened, causes that were found: looked into by words. */
  words: string;
  flaws: FlawKind[];
  /** Share of the castings that were looked at with each of them, percent. */
  shares: Partial<Record<FlawKind, number>>;
  zones: string[];
  castClass: string;
  /** What it was made with, besides metal and resin. */
  powderId: string | null;
  programmeId: string | null;
  /** The version of a recipe that it used, as it is; null: none, or it did something otherwise. */
  recipeId: string | null;
};

const value = (reading: Reading | undefined): number | undefined => readingValue(reading);

/** From one moment to another, in hours or in as many at a time; undefined while one of them is not known, or they are the wrong way round. */
function hoursBetween(from: string | undefined, to: string | undefined, hours = 1): number | undefined {
  if (from === undefined || to === undefined) return undefined;
  const gone = (Date.parse(to) - Date.parse(from)) / (hours * HOUR_MS);
  return gone >= 0 ? gone : undefined;
}
/** By how many percent one number is over another. */
const over = (is: number | undefined, reckoned: number | undefined): number | undefined =>
  is === undefined || !reckoned ? undefined : 100 * (is / reckoned - 1);

/** Share of the castings of which something is told that have each flaw. */
function sharesOf(castings: readonly Casting[]): RecordFacts['shares'] {
  const looked = castings.filter((casting) => becameOf(casting) !== undefined || casting.flaws.length > 0);
  const shares: RecordFacts['shares'] = {};
  for (const { flaws } of looked)
    for (const kind of new Set(flaws.map((flaw) => flaw.kind)))
      shares[kind] = (shares[kind] ?? 0) + 100 / looked.length;
  return shares;
}

/** Facts of a pour by its first flask, and by what became of its castings; what is not known is absent, never 0. */
export function tellFacts(doc: PourDoc): RecordFacts {
  const { brief, print, result, invest, burnout, scale, flasks } = doc;
  const { pour } = flasks[0]!;
  const castings = Object.values(result.castings);
  const became = castings.flatMap((casting) => becameOf(casting) ?? []);
  const sellable = became.filter((one) => one === 'sellable').length;
  const { weighedPowderG, weighedWaterG } = invest;
  const weighed = weighedPowderG && weighedWaterG ? weighedWaterG / weighedPowderG : undefined;
  const flaws = castings.flatMap((casting) => casting.flaws);
  const minutes = castings.flatMap(({ finishing = [] }) => finishing.flatMap((step) => step.minutes ?? []));
  const causes = Object.values(result.why ?? {}).flatMap((said) => said?.confirmed ?? []);
  const numbers: Partial<Record<FactName, number | undefined>> = {
    ...(became.length > 0 ? { looked: became.length, sellable, sharePercent: (100 * sellable) / became.length } : {}), // prettier-ignore
    flaskC: value(pour.flaskRead),
    metalC: value(pour.metalRead),
    vacuumKpa: value(pour.vacuumKpa),
    outMin: pour.outMin,
    solidMin: value(pour.solidAfterMin),
    quenchMin: value(pour.quenchAfterMin),
    clearedMin: pour.opened?.minutes,
    chargeG: value(pour.chargeRead),
    backG: value(result.buttonBackG),
    ratio: weighed ?? invest.ratio,
    printedPercent: scale.printedAs?.percents[0],
    coreH: pour.coreH?.value,
    vatDays: hoursBetween(print.plate?.vatFilledAt, print.startedAt, 24),
    printOffPercent: over(hoursBetween(print.startedAt, print.finishedAt), print.plate?.hours),
    chargeOffPercent: over(value(pour.chargeRead), pour.chargePlannedG),
    finishingMin: minutes.length > 0 ? minutes.reduce((a, b) => a + b, 0) : undefined,
  };
  const words = [
    ...flaws.flatMap(({ kind, zone, severity, place }) => [kind, zone, severity, place]),
    ...castings.flatMap(({ note }) => note),
    ranOf(pour),
    pour.opened?.quench === 'nothing' ? 'did not burst' : pour.opened?.quench,
    pour.opened?.tool,
    ...causes,
    pour.note,
    result.note,
    brief.note,
    brief.statedChange,
    doc.scrap?.what,
  ].filter((word): word is string => word !== undefined && word !== '');
  return {
    ...(Object.fromEntries(Object.entries(numbers).filter(([, n]) => n !== undefined)) as Partial<Record<FactName, number>>), // prettier-ignore
    // Small letters: they are looked into, and that without regard to size is slow over years of pours.
    words: [...new Set(words)].join(' · ').toLowerCase(),
    castClass: brief.castClass,
    powderId: invest.powderId ?? null,
    programmeId: burnout.programmeId ?? null,
    recipeId: pourDiffers(doc)?.length === 0 ? doc.brief.recipe!.id : null,
    flaws: [...new Set(flaws.map(({ kind }) => kind))],
    shares: sharesOf(castings),
    zones: [...new Set(flaws.flatMap(({ zone }) => zone ?? []))],
  };
}

export const RECORD_SORTS = ['number', ...FACT_NAMES] as const;

/** What is asked of the record. */
export const recordQuerySchema = z.strictObject({
  text: z.string().max(200).default(''),
  alloyId: idSchema.nullable().default(null),
  flaw: z.enum(FLAW_KINDS).nullable().default(null),
  zone: z.enum(FLAW_ZONES).nullable().default(null),
  /** A number of the record, from and to. */
  fact: z.enum(FACT_NAMES).nullable().default(null),
  from: z.coerce.number().nullable().default(null),
  to: z.coerce.number().nullable().default(null),
  /** Poured from one moment until before another. */
  since: momentSchema.nullable().default(null),
  until: momentSchema.nullable().default(null),
  sort: z.enum(RECORD_SORTS).default('number'),
  down: z.stringbool().default(true),
  limit: z.coerce.number().int().min(1).max(200).default(50),
  offset: z.coerce.number().int().min(0).max(1e6).default(0),
});
export type RecordQuery = z.infer<typeof recordQuerySchema>;

/** How castings of one metal and class came out by what they were made with. */
export const madeWithSchema = z.strictObject({
  alloyId: idSchema,
  castClass: z.string(),
  resinId: idSchema.nullable(),
  powderId: idSchema.nullable(),
  programmeId: idSchema.nullable(),
  /** The version of a recipe that all of them used as it is. */
  recipeId: idSchema.nullable(),
  pours: z.number().int().positive(),
  looked: z.number().int().nonnegative(),
  sellable: z.number().int().nonnegative(),
  /** The newest of them. */
  lastPourId: idSchema,
  lastNumber: z.number().int().positive(),
});
export const madeWithListSchema = z.array(madeWithSchema);
export type MadeWith = z.infer<typeof madeWithSchema>;
