import { InputError } from '../numeric';

/** A rate that a kiln showed near a temperature, °C/h. */
interface RateThere {
  tempC: number;
  cPerH: number;
}

/** What the kiln can do by itself. */
export interface KilnPace {
  maxRampCPerH: number;
  /** Time constant of cooling with the door shut, h: T falls towards the room as exp(−t/τ). */
  coolTauH: number;
  /** … with its vent or door opened; nothing where nobody has said. */
  openTauH?: number | null | undefined;
  /** What its own logs showed, by temperature from the coldest; it comes before the two figures above where it reaches. */
  measured?: { climbs: readonly RateThere[]; cools: readonly RateThere[] } | null | undefined;
}

export const ROOM_C = 20;
/** A door that stands open cools so many times as fast where the kiln's own figure is not known (*shop default*, ours). */
const OPEN_FASTER = 10;
/** The kiln as it cools opened: by its own figure, or so many times as fast as shut. */
export const opened = (kiln: KilnPace): KilnPace => ({
  ...kiln,
  coolTauH: kiln.openTauH ?? kiln.coolTauH / OPEN_FASTER,
  measured: kiln.measured && {
    ...kiln.measured,
    cools:
      kiln.openTauH == null
        ? kiln.measured.cools.map((one) => ({ ...one, cPerH: OPEN_FASTER * one.cPerH }))
        : [],
  },
});

/** A kiln that cools, or was measured, is followed in pieces of this many degrees. */
const PIECE_C = 10;

/** Linear between what is known, level beyond its ends. */
function between(known: readonly (readonly [tempC: number, value: number])[], tempC: number): number {
  const after = known.findIndex(([t]) => t >= tempC);
  if (after === 0) return known[0]![1];
  if (after < 0) return known.at(-1)![1];
  const [[t0, v0], [t1, v1]] = [known[after - 1]!, known[after]!];
  return v0 + ((v1 - v0) * (tempC - t0)) / (t1 - t0);
}

/** As fast as it climbs at a temperature, °C/h. Colder than its logs show it lagging it kept up: its figure holds there. */
export function climbLimit({ maxRampCPerH, measured }: KilnPace, tempC: number): number {
  const climbs = measured?.climbs ?? [];
  if (climbs.length === 0 || tempC < climbs[0]!.tempC) return maxRampCPerH;
  return between(
    climbs.map((one) => [one.tempC, one.cPerH]),
    tempC,
  );
}

/** Time constant of its cooling at a temperature, h. */
export function coolingTau({ coolTauH, measured }: KilnPace, tempC: number): number {
  const cools = measured?.cools ?? [];
  if (cools.length === 0) return coolTauH;
  return between(
    cools.map((one) => [one.tempC, (one.tempC - ROOM_C) / one.cPerH]),
    tempC,
  );
}

interface Way {
  hours: number;
  points: { h: number; tempC: number }[];
}

/** From one temperature to another in pieces, each as slow as the slower of what is asked and what the kiln can. */
function inPieces(
  fromC: number,
  toC: number,
  pieceHours: (a: number, b: number) => number,
  count: number,
): Way {
  let [h, tempC] = [0, fromC];
  const points = Array.from({ length: count }, (_, n) => {
    const next = fromC + ((toC - fromC) * (n + 1)) / count;
    h += pieceHours(tempC, next);
    tempC = next;
    return { h, tempC };
  });
  return { hours: h, points };
}
const pieces = (fromC: number, toC: number): number =>
  Math.max(1, Math.ceil(Math.abs(toC - fromC) / PIECE_C));

/** Heating, °C/h asked (null: all it has). */
export function climbTo(fromC: number, toC: number, rampCPerH: number | null, kiln: KilnPace): Way {
  const limit = (tempC: number): number => Math.min(rampCPerH ?? Infinity, climbLimit(kiln, tempC));
  // A kiln of one figure climbs in one line.
  const count = kiln.measured?.climbs.length ? pieces(fromC, toC) : 1;
  return inPieces(fromC, toC, (a, b) => (b - a) / limit((a + b) / 2), count);
}

/** Cooling, °C/h asked (null: left to itself), never faster than it does by itself. */
export function coolTo(fromC: number, toC: number, rampCPerH: number | null, kiln: KilnPace): Way {
  if (toC <= ROOM_C) throw new InputError('toC', `above ${ROOM_C} °C`, toC);
  return inPieces(
    fromC,
    toC,
    (a, b) => {
      const own = coolingTau(kiln, (a + b) / 2) * Math.log((a - ROOM_C) / (b - ROOM_C));
      return rampCPerH === null ? own : Math.max(own, (a - b) / rampCPerH);
    },
    pieces(fromC, toC),
  );
}
