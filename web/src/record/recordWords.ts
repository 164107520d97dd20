import {
  FACT_NUMBERS,
  type Along,
  type FactName,
  type GroupedBy,
  type PointKind,
} from '@zero-pour/contracts';
import { FLAW_KINDS, flawWords, type FlawKind, type Unit } from '@zero-pour/core';

const isFact = (of: string): of is FactName => of in FACT_NUMBERS;
export const isFlaw = (of: string): of is FlawKind => (FLAW_KINDS as readonly string[]).includes(of);

/** How what is drawn is called, with its unit. */
export const called = (of: PointKind | Along): string =>
  isFact(of) ? FACT_NUMBERS[of].label : isFlaw(of) ? `Castings with ${flawWords(of)}` : 'Day of the pour';
export const unitOf = (of: PointKind | Along): Unit => (isFact(of) ? FACT_NUMBERS[of].unit : 'percent');

/** What is often asked of the record. */
export const USUAL_DRAWINGS: readonly { name: string; of: PointKind; along: Along }[] = [
  { name: 'Sellable over time', of: 'sharePercent', along: 'day' },
  { name: 'Ash over the age of the vat', of: 'ash pitting', along: 'vatDays' },
  { name: 'Ash over the core’s hours', of: 'ash pitting', along: 'coreH' },
  { name: 'Metal weighed against reckoned', of: 'chargeOffPercent', along: 'day' },
  { name: 'Print hours against reckoned', of: 'printOffPercent', along: 'day' },
  { name: 'Printed percent over time', of: 'printedPercent', along: 'day' },
  { name: 'Misrun over the flask', of: 'misrun', along: 'flaskC' },
];

export const GROUP_NAMES: Record<GroupedBy, string> = {
  month: 'Month',
  alloy: 'Metal',
  resin: 'Resin',
  class: 'Class',
  recipe: 'Recipe',
  flaw: 'Flaw',
};
