import type { CureDepth } from '@zero-pour/core';
import Papa from 'papaparse';

export type ReadDiscs = { status: 'read'; discs: CureDepth[] } | { status: 'unreadable'; reason: string };

/** "12,5" and "12.5" are one number. */
const number = (text: string): number => Number(text.trim().replace(',', '.'));

/**
 * Discs pasted as two columns (seconds or mJ/cm², then mm), separated by tabs, semicolons or blanks; a line of words on
 * top is skipped. With an irradiance (mW/cm²) the first column is seconds, else energy.
 */
export function readDiscs(text: string, irradianceMwPerCm2: number | null): ReadDiscs {
  const spaced = text.includes('\t') || text.includes(';') ? text : text.replace(/[ ]+/g, '\t');
  const { data } = Papa.parse<string[]>(spaced.trim(), {
    skipEmptyLines: 'greedy',
    delimiter: spaced.includes(';') ? ';' : '\t',
  });
  const discs: CureDepth[] = [];
  for (const [line, row] of data.entries()) {
    const [first, depthMm] = [number(row[0] ?? ''), number(row[1] ?? '')];
    if (line === 0 && Number.isNaN(first)) continue;
    if (!(first > 0) || !(depthMm > 0)) {
      return {
        status: 'unreadable',
        reason: `Line ${line + 1} (“${row.join(' ').slice(0, 40)}”) is not two numbers above 0.`,
      };
    }
    discs.push({ energyMjPerCm2: irradianceMwPerCm2 === null ? first : first * irradianceMwPerCm2, depthMm });
  }
  return discs.length > 0
    ? { status: 'read', discs }
    : { status: 'unreadable', reason: 'Nothing to read: two columns, one disc a line.' };
}
