import type { FeedingGate } from '../gate';
import { fillMargins, nodesUnder, FILL_LIMITS, type FillConditions, type FillingGate } from './fillByGates';
import type { FillField } from './fillField';
import type { Passage, PouredHeat } from './flow';

type Place = [number, number, number];

/** The place that fills last, and what decides there. */
export interface LastFilled extends Passage {
  at: Place;
  margin: number;
  /** 'late': the metal freezes on the way. 'narrow': the pressure does not press it in. 'no way': no gate's metal leads there. */
  because: 'late' | 'narrow' | 'no way';
}

/** What would fill the part; null where nothing within bounds does. */
export interface FillOffers {
  /** Flask as hot as this, °C. */
  flaskC: number | null;
  /** Metal as hot as this, °C. */
  metalC: number | null;
  gate: OfferedGate | null;
}

/** One more gate at the place that fills last, out of the part along `normal`, and the least margin with it. */
export interface OfferedGate extends FeedingGate {
  normal: Place;
  margin: number;
}

export interface FillReading {
  last: LastFilled;
  /** Only where the part is not filled with margin. */
  offers: FillOffers | null;
}

/** The hottest that is offered, °C: what powder and metal bear. */
export interface Hottest {
  flaskC: number;
  metalC: number;
}
/** Plaster-bonded molds break down from about 750 °C (handbook 05): unless the powder says otherwise. */
export const FLASK_MOST_C = 730;
/** Metal further over its liquidus takes up gas and attacks the mold (*shop default*). */
export const SUPERHEAT_MOST_C = 200;
/** Temperatures are offered in such steps, °C. */
const STEP_C = 5;

/**
 * Whether a part fills, where last, and what up to the `hottest` would mend it; without that nothing is offered. Null for a
 * field without nodes.
 */
export function readFill(
  field: FillField,
  gates: readonly FillingGate[],
  conditions: FillConditions,
  hottest?: Hottest,
): FillReading | null {
  if (field.nodes.count === 0) return null;
  const margins = fillMargins(field, gates, conditions);
  const at = worstOf(margins);
  return {
    last: lastFilled(field, gates, margins, at),
    offers:
      hottest && margins[at]! < FILL_LIMITS.good
        ? offersFor(field, gates, conditions, { hottest, at })
        : null,
  };
}

const worstOf = (margins: Float32Array): number =>
  margins.reduce((worst, margin, n) => (margin < margins[worst]! ? n : worst), 0);

const placeOf = ({ nodes: { at } }: FillField, n: number): Place => [
  at[3 * n]!,
  at[3 * n + 1]!,
  at[3 * n + 2]!,
];

function lastFilled(
  field: FillField,
  gates: readonly FillingGate[],
  margins: Float32Array,
  n: number,
): LastFilled {
  const passage = field.nodes.passage[n]!;
  const margin = margins[n]!;
  const because = margin > 0 ? 'late' : isJoined(field, gates, n) ? 'narrow' : 'no way';
  return { at: placeOf(field, n), ...passage, margin, because };
}

/** Whether a node hangs on a gate by passages of any width: then only their narrowness keeps the metal out. */
function isJoined(field: FillField, gates: readonly FillingGate[], to: number): boolean {
  const seen = new Uint8Array(field.nodes.count);
  const stack = gates.flatMap((gate) => [...nodesUnder(field, gate)]);
  for (const n of stack) seen[n] = 1;
  while (stack.length > 0) {
    const n = stack.pop()!;
    if (n === to) return true;
    for (let k = field.starts[n]!; k < field.starts[n + 1]!; k++) {
      const next = field.ends[k]!;
      if (seen[next] === 1) continue;
      seen[next] = 1;
      stack.push(next);
    }
  }
  return false;
}

function offersFor(
  field: FillField,
  gates: readonly FillingGate[],
  conditions: FillConditions,
  { hottest, at }: { hottest: Hottest; at: number },
): FillOffers {
  const least = (with_: readonly FillingGate[], heat: Partial<PouredHeat> = {}): number => {
    const margins = fillMargins(field, with_, { ...conditions, heat: { ...conditions.heat, ...heat } });
    return margins[worstOf(margins)]!;
  };
  const { flaskC, metalC } = conditions.heat;
  const fills = (heat: Partial<PouredHeat>): boolean => least(gates, heat) >= FILL_LIMITS.good;
  const gate = gateAt(field, at);
  const margin = gate ? least([...gates, { ...gate, lengthMm: gates[0]?.lengthMm ?? 0 }]) : 0;
  return {
    flaskC: leastStep(flaskC, hottest.flaskC, (c) => fills({ flaskC: c })),
    metalC: leastStep(metalC, hottest.metalC, (c) => fills({ metalC: c })),
    gate: gate && margin > least(gates) ? { ...gate, margin } : null,
  };
}

/** A gate that only fills may be thin. mm. */
const MEND_GATE_MM = 1.5;

/** A gate on the surface nearest to a node. */
function gateAt(field: FillField, n: number): Omit<OfferedGate, 'margin'> | null {
  const [x, y, z] = placeOf(field, n);
  const found = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  if (!field.tree.closest(x, y, z, Infinity, found)) return null;
  const away: Place = [found.x - x, found.y - y, found.z - z];
  const length = Math.hypot(...away);
  if (length === 0) return null;
  return {
    at: [found.x, found.y, found.z],
    normal: away.map((v) => v / length) as Place,
    diameterMm: Math.max(MEND_GATE_MM, Math.round(10 * field.nodes.passage[n]!.widthMm) / 10),
  };
}

/** The least of the steps above a temperature that serves; more heat never fills worse, so it is found by halving. */
function leastStep(fromC: number, mostC: number, serves: (tempC: number) => boolean): number | null {
  const first = Math.floor(fromC / STEP_C) * STEP_C;
  let [low, high] = [0, Math.floor((mostC - first) / STEP_C)];
  if (high < 1 || !serves(first + high * STEP_C)) return null;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (serves(first + middle * STEP_C)) high = middle;
    else low = middle;
  }
  return first + high * STEP_C;
}
