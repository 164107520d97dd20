import { formatQuantity, METRIC, type Unit } from '@zero-pour/core';
import { readingValue, type Reading } from '../reading';
import type { Fault } from './fault';

/** What a reading of a kind can be: beyond it the hand slipped, or the unit was another. */
interface Possible {
  least: number;
  most: number;
  unit: Unit;
}

export const POSSIBLE = {
  roomC: { least: -30, most: 60, unit: 'degC' },
  vatC: { least: -10, most: 90, unit: 'degC' },
  waterC: { least: 0, most: 100, unit: 'degC' },
  /** Flasks and metal: from a cold shop to above the melting point of platinum. */
  heatC: { least: -30, most: 2000, unit: 'degC' },
  humidityPercent: { least: 0, most: 100, unit: 'percent' },
  /** A balance's zero may wander by a little, a weight does not go below nothing. */
  weightG: { least: 0, most: 100_000, unit: 'g' },
  sizeMm: { least: 0, most: 400, unit: 'mm' },
  /** As a gauge shows it, below the air outside, or above nothing: no more than the air weighs. */
  vacuumKpa: { least: -105, most: 105, unit: 'kPa' },
  waitMin: { least: 0, most: 1440, unit: 'min' },
} as const satisfies Record<string, Possible>;

/** A reading that is not possible, or nothing. */
export function readingFault(
  path: readonly string[],
  reading: Reading | undefined,
  kind: keyof typeof POSSIBLE,
): Fault[] {
  const value = readingValue(reading);
  const { least, most, unit } = POSSIBLE[kind];
  if (value === undefined || (value >= least && value <= most)) return [];
  const said = (n: number): string => formatQuantity({ value: n, unit, digits: 0 }, METRIC);
  return [{ path: [...path], why: `it lies between ${said(least)} and ${said(most)}` }];
}
