import { CARBON_C, ROOM_C } from '../burnout';
import { InputError, requireNumber } from '../numeric';
import { Flask, type FlaskFilled } from './flaskCells';
import type { FlaskGrid } from './flaskGrid';
import { kilnAt, type KilnPoints } from './kilnPoints';

export interface HeatOfFlask extends FlaskFilled {
  kiln: KilnPoints;
  /** Minutes in air after the kiln's last point: the flask on its way to the pour. */
  airMin?: number;
  /** … of the room, °C. */
  airC?: number;
}

/** The flask at one moment. °C; share of the free water that is left. */
export interface HeatRow {
  h: number;
  kilnC: number;
  coreC: number;
  patternsC: number;
  rimC: number;
  shellC: number;
  waterLeft: number;
  /** Into the whole flask since it went in, J. */
  takenJ: number;
}

/** Half the flask's section at one moment, cells by (j·nr + i). */
export interface HeatSection {
  h: number;
  temps: Float32Array;
  water: Float32Array;
}

export interface FlaskHeat {
  grid: FlaskGrid;
  rows: HeatRow[];
  sections: HeatSection[];
  /** When under a thousandth of the free water is left, h; null: never. */
  dryH: number | null;
  /** Hottest rim while the core still held water. */
  rimOverSteamC: number;
  /** Hours that the core was above the temperature at which carbon burns. */
  coreCarbonH: number;
  coreMaxC: number;
  /** Into half the flask and its shell, J; and how far in − held is off, of that. */
  energyInJ: number;
  energyOff: number;
}

const ROW_S = 120;
const SECTION_S = 600;
/** Less of the free water than this is dry. */
const DRY_SHARE = 0.001;
const LONGEST_H = 24 * 30;

/**
 * A flask through a burnout (handbook 07): axisymmetric conduction by conservative finite volumes, explicit in the investment,
 * implicit in its shell. Water that boiled off and what was calcined do not come back: below its peak a cell holds sensible heat only.
 * O(cells · hours / step²). Throws InputError for a kiln that has no points, or more than 30 days.
 */
export function heatFlask(asked: HeatOfFlask): FlaskHeat {
  const { kiln, airMin = 0, airC = ROOM_C } = asked;
  const last = kiln.at(-1);
  if (!last) throw new InputError('kiln', 'at least one point', kiln.length);
  requireNumber('kiln', last.h, 0, LONGEST_H);
  const flask = new Flask(asked);
  const kilnS = last.h * 3600;
  const track = tracking(flask);
  flask.run(kilnS, (s) => kilnAt(kiln, s / 3600), track.note);
  if (airMin > 0) flask.run(kilnS + airMin * 60, () => airC, track.note);
  track.note(flask, () => (airMin > 0 ? airC : last.tempC), true);
  const { energyInJ } = flask;
  return { grid: flask.grid, ...track.told(), energyInJ, energyOff: flask.energyOff() };
}

/** What is written down of a run. */
function tracking(start: Flask) {
  const rows: HeatRow[] = [];
  const sections: HeatSection[] = [];
  let [nextRow, nextSection] = [0, 0];
  let dryH: number | null = null;
  let rimOverSteamC = start.rimC();
  let [coreCarbonH, coreMaxC, beforeS] = [0, start.coreC(), 0];
  const note = (flask: Flask, kilnC: (s: number) => number, last = false): void => {
    const [coreC, rimC, left] = [flask.coreC(), flask.rimC(), flask.waterLeft()];
    if (coreC >= CARBON_C) coreCarbonH += (flask.s - beforeS) / 3600;
    coreMaxC = Math.max(coreMaxC, coreC);
    beforeS = flask.s;
    if (flask.coreWater() > DRY_SHARE) rimOverSteamC = Math.max(rimOverSteamC, rimC);
    if (left < DRY_SHARE) dryH ??= flask.s / 3600;
    const h = flask.s / 3600;
    if (flask.s >= nextRow || last) {
      nextRow = flask.s + ROW_S;
      const [patternsC, shellC] = [flask.patternsC(), flask.shellC()];
      const takenJ = 2 * flask.energyInJ;
      rows.push({ h, kilnC: kilnC(flask.s), coreC, patternsC, rimC, shellC, waterLeft: left, takenJ });
    }
    if (flask.s >= nextSection || last) {
      nextSection = flask.s + SECTION_S;
      sections.push({ h, ...flask.section() });
    }
  };
  return {
    note,
    told: () => ({ rows, sections, dryH, rimOverSteamC, coreCarbonH, coreMaxC }),
  };
}
