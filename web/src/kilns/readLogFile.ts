import { readKilnLog, type KilnLogReading } from '@zero-pour/core';
import Papa from 'papaparse';

/** Weeks of a reading a second are some megabytes; what is larger is no log of a kiln. */
export const LARGEST_LOG = 40 * 1024 * 1024;

/** Its text, whatever machine wrote it: UTF-8, UTF-16 by its mark, else the usual one of old machines, so that “°” is read. */
export function textOf(bytes: ArrayBuffer): string {
  const [first, second] = new Uint8Array(bytes.slice(0, 2));
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** Cells of a log, one line a row, empty ones too: lines are counted as an editor shows them. */
export function cellsOf(text: string): string[][] {
  const counted = (by: string): number => text.split(by).length;
  // Machines that write 21,6 part their columns by semicolons; a preamble hides that from a guess by the first lines.
  const delimiter = ['\t', ';', ','].reduce((best, one) => (counted(one) > counted(best) ? one : best));
  const most = counted(';') > 10 && delimiter === ',' ? ';' : delimiter;
  return Papa.parse<string[]>(text, { delimiter: most }).data;
}

export const readLogText = (text: string, unit?: 'C' | 'F'): KilnLogReading =>
  readKilnLog(cellsOf(text), unit);
