import { readTimes, cellNumber, type TimeStyle } from './logTimes';

/** What a kiln did, in the order of time. °C; set point NaN where there is none. */
export interface KilnReadings {
  /** Hours since the first one. */
  h: Float64Array;
  tempC: Float64Array;
  setC: Float64Array;
  hasSet: boolean;
}

/** … out of a log. */
export interface KilnLog extends KilnReadings {
  times: TimeStyle;
  /** Of the first row, by its style: s since 1970 (of a wall clock, unless `zoned`), of the day, or elapsed. */
  startS: number;
  zoned: boolean;
  /** As its numbers were taken. */
  unit: 'C' | 'F';
  /** What the file says of its unit; null: nothing, and it was taken by how hot the numbers are. */
  unitSaid: 'C' | 'F' | null;
  /** Rows that came twice, and stretches without any. */
  doubled: number;
  gaps: { fromH: number; toH: number }[];
}

/** Why a log is not taken: by the line and the column of the file (both from 1; 0: none), and a sentence. */
export interface RefusedLog {
  status: 'refused';
  line: number;
  column: number;
  why: string;
}
export type KilnLogReading = { status: 'read'; log: KilnLog } | RefusedLog;

const refused = (line: number, column: number, why: string): RefusedLog => ({
  status: 'refused',
  line,
  column,
  why,
});

const TIME = /time|zeit|date|datum|elapsed|stamp|^\s*(t|h|s|hours?|minutes?|seconds?)\s*$/i;
const SET = /\bset|\bsv\b|\bsp\b|soll|target|setpoint|programme|^w$/i;
const TEMP = /temp|\bpv\b|actual|\bist\b|probe|chamber|thermo|kiln|°|\bdeg/i;
const FAHRENHEIT = /°\s*f|\bdeg\s*f|\(\s*f\s*\)|_f\b|\bf$|fahrenheit|\[f\]/i;
const CELSIUS = /°\s*c|\bdeg\s*c|\(\s*c\s*\)|_c\b|\bc$|celsius|\[c\]/i;

/** Hotter than any kiln for flasks goes: such numbers are °F where nobody says otherwise, and a lost thermocouple where they are °C. */
const HOTTEST_C = 1150;
/** A probe does not move so far from one row to the next. */
const JUMP_C = 250;
/** Colder than this while the set point is hotter than that: nothing is measured. */
const LOST = { coldC: 60, hotC: 200 };
/** A stretch of so many usual steps without a row is a gap. */
const GAP_STEPS = 5;
const FEWEST_ROWS = 10;
/** What machines write before their columns is no longer than this. Rows. */
const HEADING_WITHIN = 40;

interface Columns {
  header: number;
  time: number[];
  temp: number;
  set: number | undefined;
}

/**
 * Reads a kiln's log out of its cells, whatever order its columns have and however its times and numbers are written. `unit`: what
 * somebody says of a file that does not say it itself.
 */
export function readKilnLog(rows: readonly (readonly string[])[], unit?: 'C' | 'F'): KilnLogReading {
  const columns = findColumns(rows);
  if (!columns)
    return refused(
      1,
      0,
      'No heading names a temperature: a column called temperature, PV or actual is needed.',
    );
  const { header, time, temp, set } = columns;
  if (time.length === 0)
    return refused(header + 1, 0, 'No column of times: a log needs clock times, hours or seconds.');
  const heading = rows[header]!;
  const body = rows
    .map((cells, n) => ({ cells, line: n + 1 }))
    .slice(header + 1)
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  const texts = body.map(({ cells }) => time.map((c) => cells[c] ?? '').join(' ').trim()); // prettier-ignore
  const times = readTimes(texts, time.map((c) => heading[c]).join(' '));
  if (!times) return refused(header + 2, time[0]! + 1, 'The times cannot be read.');
  const preamble = rows.slice(0, header).flat().join(' ');
  const temps = body.map(({ cells }) => cellNumber(cells[temp] ?? ''));
  const said = unitSaid(heading[temp]!, preamble);
  const hottest = temps.reduce((most, v) => (v > most ? v : most), -Infinity);
  const taken = said ?? unit ?? (hottest > HOTTEST_C ? 'F' : 'C');
  const setUnit = set === undefined ? taken : (unitSaid(heading[set]!, '') ?? taken);
  const rowsRead = body.map(({ line, cells }, n) => ({
    line,
    s: times.seconds[n]!,
    tempC: asC(temps[n]!, taken),
    setC: set === undefined ? NaN : asC(cellNumber(cells[set] ?? ''), setUnit),
  }));
  const wrong = findWrong(rowsRead, temp + 1, time[0]! + 1);
  if (wrong) return wrong;
  const read = asReadings(rowsRead, set !== undefined);
  return {
    status: 'read',
    log: { ...read, times: times.style, zoned: times.zoned, unit: taken, unitSaid: said },
  };
}

const asC = (value: number, unit: 'C' | 'F'): number => (unit === 'F' ? (value - 32) / 1.8 : value);

function unitSaid(heading: string, preamble: string): 'C' | 'F' | null {
  if (FAHRENHEIT.test(heading)) return 'F';
  if (CELSIUS.test(heading)) return 'C';
  const units = /units?\W+(°?\s*[cf]\b|celsius|fahrenheit)/i.exec(preamble)?.[1]?.toLowerCase();
  if (!units) return null;
  return units.includes('f') ? 'F' : 'C';
}

/** The heading: the first row that names a temperature and a time, else one that names a temperature. */
function findColumns(rows: readonly (readonly string[])[]): Columns | undefined {
  const found = rows.slice(0, HEADING_WITHIN).flatMap((cells, header): Columns[] => {
    if (cells.length < 2 || cells.some((cell) => !Number.isNaN(cellNumber(cell)))) return [];
    const named = (name: RegExp, but: readonly number[]): number[] =>
      cells.flatMap((cell, n) => (name.test(cell) && !but.includes(n) ? [n] : []));
    const sets = named(SET, []);
    const time = named(TIME, sets);
    const [temp] = named(TEMP, [...sets, ...time]);
    return temp === undefined ? [] : [{ header, time, temp, set: sets[0] }];
  });
  return found.find(({ time }) => time.length > 0) ?? found[0];
}

interface Row {
  line: number;
  s: number;
  tempC: number;
  setC: number;
}

/** The first thing that makes a log no record of a kiln. */
function findWrong(rows: readonly Row[], tempColumn: number, timeColumn: number): RefusedLog | undefined {
  if (rows.length < FEWEST_ROWS)
    return refused(rows.at(-1)?.line ?? 1, 0, `Only ${rows.length} rows: a log of a burnout has more.`);
  for (const [n, row] of rows.entries()) {
    const before = rows[n - 1];
    if (Number.isNaN(row.s)) return refused(row.line, timeColumn, 'No time that can be read.');
    if (Number.isNaN(row.tempC)) return refused(row.line, tempColumn, 'No temperature that can be read.');
    if (before && row.s < before.s) return refused(row.line, timeColumn, 'The clock goes backwards here.');
    if (row.tempC > HOTTEST_C)
      return refused(
        row.line,
        tempColumn,
        'Full scale: the thermocouple is lost, or the unit is another one.',
      );
    if (before && Math.abs(row.tempC - before.tempC) > JUMP_C && row.s - before.s < 600) {
      const asF = Math.abs(row.tempC - (before.tempC * 1.8 + 32)) < 20 || Math.abs(before.tempC - (row.tempC * 1.8 + 32)) < 20; // prettier-ignore
      return refused(row.line, tempColumn, asF ? 'The unit changes from °C to °F, or back, here.' : 'It jumps further than a kiln can: the thermocouple is lost.'); // prettier-ignore
    }
    if (row.tempC < LOST.coldC && row.setC > LOST.hotC && (before?.tempC ?? 0) > LOST.hotC)
      return refused(row.line, tempColumn, 'Cold while the set point is hot: the thermocouple is lost.');
  }
  return undefined;
}

function asReadings(
  rows: readonly Row[],
  hasSet: boolean,
): Omit<KilnLog, 'times' | 'zoned' | 'unit' | 'unitSaid'> {
  const kept = rows.filter(({ s }, n) => n === 0 || s > rows[n - 1]!.s);
  const startS = kept[0]!.s;
  const h = Float64Array.from(kept, ({ s }) => (s - startS) / 3600);
  const steps = Array.from(h.slice(1), (v, n) => v - h[n]!).sort((a, b) => a - b);
  const usual = steps[Math.floor(steps.length / 2)] ?? 0;
  const gaps = Array.from(h.slice(1), (toH, n) => ({ fromH: h[n]!, toH })).filter(
    ({ fromH, toH }) => toH - fromH > GAP_STEPS * usual,
  );
  return {
    h,
    tempC: Float64Array.from(kept, ({ tempC }) => tempC),
    setC: Float64Array.from(kept, ({ setC }) => setC),
    hasSet,
    startS,
    doubled: rows.length - kept.length,
    gaps,
  };
}
