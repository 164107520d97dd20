import { FLAW_KINDS, FLAW_ZONES, type Unit } from '@zero-pour/core';
import { z } from 'zod';
import { idSchema } from '../parts';
import { readingValue, type Reading } from '../quantities';
import { becameOf } from './outcome';
import { ranOf } from './pourFlask';
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
} as const satisfies Record<string, { label: string; unit: Unit }>;
export type FactName = keyof typeof FACT_NUMBERS;
export const FACT_NAMES = Object.keys(FACT_NUMBERS) as [FactName, ...FactName[]];

/** What the record finds a pour by: numbers that are known, and words. */
export type RecordFacts = Partial<Record<FactName, number>> & {
  /** Flaws, their zones and severities, how it ran and opened, causes that were found: looked into by words. */
  words: string;
  flaws: string[];
  zones: string[];
  castClass: string;
  /** What it was made with, besides metal and resin. */
  powderId: string | null;
  programmeId: string | null;
};

const value = (reading: Reading | undefined): number | undefined => readingValue(reading);

/** Facts of a pour by its first flask, and by what became of its castings; what is not known is absent, never 0. */
export function tellFacts(doc: PourDoc): RecordFacts {
  const { brief, result, invest, burnout, scale, flasks } = doc;
  const { pour } = flasks[0]!;
  const castings = Object.values(result.castings);
  const became = castings.flatMap((casting) => becameOf(casting) ?? []);
  const sellable = became.filter((one) => one === 'sellable').length;
  const { weighedPowderG, weighedWaterG } = invest;
  const weighed = weighedPowderG && weighedWaterG ? weighedWaterG / weighedPowderG : undefined;
  const flaws = castings.flatMap((casting) => casting.flaws);
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
  ].filter((word): word is string => word !== undefined && word !== '');
  return {
    ...(Object.fromEntries(Object.entries(numbers).filter(([, n]) => n !== undefined)) as Partial<Record<FactName, number>>), // prettier-ignore
    words: [...new Set(words)].join(' · '),
    castClass: brief.castClass,
    powderId: invest.powderId ?? null,
    programmeId: burnout.programmeId ?? null,
    flaws: [...new Set(flaws.map(({ kind }) => kind))],
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
  pours: z.number().int().positive(),
  looked: z.number().int().nonnegative(),
  sellable: z.number().int().nonnegative(),
  /** The newest of them. */
  lastPourId: idSchema,
  lastNumber: z.number().int().positive(),
});
export const madeWithListSchema = z.array(madeWithSchema);
export type MadeWith = z.infer<typeof madeWithSchema>;
