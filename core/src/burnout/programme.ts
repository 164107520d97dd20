import { InputError, requireNumber } from '../numeric';
import { climbTo, coolTo, opened, ROOM_C, type KilnPace } from './kilnLimits';

export type FlaskWay = 'button down' | 'button up';

/** A hands-on moment within a segment. */
export interface HandsOn {
  /** Hours after the segment's start. */
  afterH: number;
  what: string;
}

/** One climb (or fall) and hold of a burnout programme. */
export interface Segment {
  name: string;
  /** null: as fast as the kiln can (full power, or its own cooling). */
  rampCPerH: number | null;
  /** null: the casting temperature of the pour. */
  targetC: number | null;
  holdH: number;
  flaskWay: FlaskWay;
  /** It falls with the vent or the door opened. */
  vented?: boolean | undefined;
  hands: readonly HandsOn[];
  note: string;
}

export interface CurvePoint {
  h: number;
  tempC: number;
}

export interface PlacedSegment {
  segment: Segment;
  startH: number;
  /** When the target is reached and the hold begins. */
  holdFromH: number;
  endH: number;
  fromC: number;
  targetC: number;
  hands: readonly { name: string; atH: number; what: string }[];
}

export interface ProgrammeCurve {
  points: CurvePoint[];
  segments: PlacedSegment[];
  totalH: number;
}

/** Longest name of a hands-on moment: two names of 120 letters, the sign between them, and a number. */
export const HAND_NAME_MAX = 260;

/**
 * Name of each hands-on moment of each segment: "segment › what", with "~2" where it comes twice. A moment keeps its name
 * when others are added, moved or taken out.
 */
export function handNames(segments: readonly Pick<Segment, 'name' | 'hands'>[]): string[][] {
  const times = new Map<string, number>();
  return segments.map(({ name, hands }) =>
    hands.map(({ what }) => {
      const plain = `${name} › ${what}`;
      const n = (times.get(plain) ?? 0) + 1;
      times.set(plain, n);
      return n === 1 ? plain : `${plain}~${n}`;
    }),
  );
}

/** What hands do where a fall is to go faster than the shut kiln's. */
const OPEN_VENT = 'Open the vent';

/** Temperatures that a flask is cast at, °C. */
export const CASTING_RANGE_C = [30, 1000] as const;

/** No climb or fall takes a year. */
const LONGEST_WAY_H = 24 * 365;
const wayTo = (fromC: number, targetC: number, { rampCPerH, vented }: Segment, kiln: KilnPace) => {
  if (fromC === targetC) return { hours: 0, points: [] };
  const way =
    targetC > fromC
      ? climbTo(fromC, targetC, rampCPerH, kiln)
      : coolTo(fromC, targetC, rampCPerH, vented ? opened(kiln) : kiln);
  requireNumber('hours', way.hours, 0, LONGEST_WAY_H);
  return way;
};

/** Hours a shut kiln takes from one temperature down to another: τ·ln((T₁ − 20)/(T₂ − 20)). */
export function coolingHours(fromC: number, toC: number, coolTauH: number): number {
  if (toC <= ROOM_C) throw new InputError('toC', `above ${ROOM_C} °C`, toC);
  return Math.max(0, coolTauH * Math.log((fromC - ROOM_C) / (toC - ROOM_C)));
}

/**
 * The kiln's temperature over time for a programme, from a start temperature, with this kiln's own pace where the
 * programme asks for more than it can do. `castingTempC` stands in for the segments whose target is null.
 */
export function programmeCurve(
  segments: readonly Segment[],
  castingTempC: number,
  kiln: KilnPace,
  startC = ROOM_C,
): ProgrammeCurve {
  requireNumber('castingTempC', castingTempC, ...CASTING_RANGE_C);
  const points: CurvePoint[] = [{ h: 0, tempC: startC }];
  const placed: PlacedSegment[] = [];
  let h = 0;
  let tempC = startC;
  const names = handNames(segments);
  for (const [i, segment] of segments.entries()) {
    const targetC = segment.targetC ?? castingTempC;
    const { hours, points: way } = wayTo(tempC, targetC, segment, kiln);
    const startH = h;
    points.push(...way.map((p) => ({ h: startH + p.h, tempC: p.tempC })));
    h += hours + requireNumber('holdH', segment.holdH, 0, 72);
    if (segment.holdH > 0) points.push({ h, tempC: targetC });
    placed.push({
      segment,
      startH,
      holdFromH: startH + hours,
      endH: h,
      fromC: tempC,
      targetC,
      hands: [
        // Nobody but a person opens it.
        ...(segment.vented && targetC < tempC
          ? [{ name: `${segment.name} › ${OPEN_VENT}`, atH: startH, what: OPEN_VENT }]
          : []),
        ...segment.hands.map((hand, k) => ({
          name: names[i]![k]!,
          atH: startH + hand.afterH,
          what: hand.what,
        })),
      ],
    });
    tempC = targetC;
  }
  return { points, segments: placed, totalH: h };
}

/** Kiln temperature at a time on the curve; held at its ends. O(points). */
export function temperatureAt(curve: ProgrammeCurve, h: number): number {
  const { points } = curve;
  const after = points.findIndex((p) => p.h >= h);
  if (after === 0) return points[0]!.tempC;
  if (after < 0) return points.at(-1)!.tempC;
  const [a, b] = [points[after - 1]!, points[after]!];
  return b.h === a.h ? b.tempC : a.tempC + ((b.tempC - a.tempC) * (h - a.h)) / (b.h - a.h);
}

/** Hours that the kiln spends above a temperature (the flask's core spends fewer). */
export function hoursAbove(curve: ProgrammeCurve, limitC: number): number {
  let hours = 0;
  for (let i = 1; i < curve.points.length; i++) {
    const [a, b] = [curve.points[i - 1]!, curve.points[i]!];
    const low = Math.min(a.tempC, b.tempC);
    const high = Math.max(a.tempC, b.tempC);
    if (high <= limitC) continue;
    const share = low >= limitC ? 1 : (high - limitC) / (high - low);
    hours += (b.h - a.h) * share;
  }
  return hours;
}
