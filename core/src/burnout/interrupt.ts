import { climbTo, coolTo, opened, ROOM_C, type KilnPace } from './kilnLimits';
import { temperatureAt, type CurvePoint, type PlacedSegment, type ProgrammeCurve } from './programme';

/** A stretch in which the kiln was not driven, or lost heat through its door: from an hour of the burnout as it goes, for so many hours. */
export interface Interruption {
  atH: number;
  hours: number;
  kind: 'power' | 'door';
}

/** Cooling is followed in so many pieces. */
const PIECES = 12;

/** The kiln left to itself: nearly the room at the end of a long night. */
function falls(fromC: number, hours: number, kiln: KilnPace): CurvePoint[] {
  const points: CurvePoint[] = [];
  let [tempC, h] = [fromC, 0];
  for (let n = 0; n < PIECES; n++) {
    const dt = hours / PIECES;
    // By its own pace at this temperature; a kiln colder than the room's edge falls no further.
    const oneDegreeH = tempC - ROOM_C > 2 ? coolTo(tempC, tempC - 1, null, kiln).hours : Infinity;
    const tau = oneDegreeH / Math.log((tempC - ROOM_C) / (tempC - 1 - ROOM_C));
    tempC = oneDegreeH === Infinity ? tempC : ROOM_C + (tempC - ROOM_C) * Math.exp(-dt / tau);
    h += dt;
    points.push({ h, tempC });
  }
  return points;
}

interface Cut {
  fallen: CurvePoint[];
  recovery: CurvePoint[];
  /** Where the programme goes on, by the uninterrupted curve. */
  resumesH: number;
}

/** How an interruption runs, and where the programme goes on after it: a climb or a hold where it was, a fall where the kiln has come to. */
function cutOf(curve: ProgrammeCurve, { atH, hours, kind }: Interruption, kiln: KilnPace): Cut {
  const fromC = temperatureAt(curve, atH);
  const fallen = falls(fromC, hours, kind === 'door' ? opened(kiln) : kiln);
  const lowC = fallen.at(-1)!.tempC;
  const segment = curve.segments.find(({ endH }) => endH > atH + 1e-9) ?? curve.segments.at(-1)!;
  const isFalling = segment.targetC < fromC && atH < segment.holdFromH;
  const backTo = isFalling ? Math.max(segment.targetC, Math.min(lowC, fromC)) : fromC;
  const recovery = backTo > lowC + 1e-6 ? climbTo(lowC, backTo, segment.segment.rampCPerH, kiln).points : [];
  return { fallen, recovery, resumesH: isFalling ? hourAt(curve, atH, segment, backTo) : atH };
}

/** When a falling segment comes to a temperature, after an hour. */
function hourAt(
  { points }: ProgrammeCurve,
  afterH: number,
  { holdFromH }: PlacedSegment,
  tempC: number,
): number {
  for (let n = 1; n < points.length; n++) {
    const [a, b] = [points[n - 1]!, points[n]!];
    if (b.h < afterH || b.tempC > tempC) continue;
    if (b.h > holdFromH + 1e-9) break;
    const share = a.tempC === b.tempC ? 1 : (a.tempC - tempC) / (a.tempC - b.tempC);
    return Math.max(afterH, a.h + share * (b.h - a.h));
  }
  return holdFromH;
}

/**
 * A programme's curve with one interruption in it: the kiln falls by its own pace, climbs back as its segment does, and the rest of the
 * programme follows, so much later. What hands do after it follows too. One that begins after the programme's end changes nothing.
 */
export function interrupted(curve: ProgrammeCurve, cut: Interruption, kiln: KilnPace): ProgrammeCurve {
  if (cut.hours <= 0 || cut.atH < 0 || cut.atH >= curve.totalH) return curve;
  const { fallen, recovery, resumesH } = cutOf(curve, cut, kiln);
  const backH = cut.atH + cut.hours + (recovery.at(-1)?.h ?? 0);
  const later = backH - resumesH;
  const moved = (h: number): number => (h > cut.atH + 1e-9 ? Math.max(h + later, backH) : h);
  const before = curve.points.filter(({ h }) => h <= cut.atH);
  const points = [
    ...before,
    { h: cut.atH, tempC: temperatureAt(curve, cut.atH) },
    ...fallen.map(({ h, tempC }) => ({ h: cut.atH + h, tempC })),
    ...recovery.map(({ h, tempC }) => ({ h: cut.atH + cut.hours + h, tempC })),
    ...curve.points.filter(({ h }) => h > resumesH).map(({ h, tempC }) => ({ h: h + later, tempC })),
  ];
  return {
    points,
    segments: curve.segments.map((placed) => ({
      ...placed,
      startH: moved(placed.startH),
      holdFromH: moved(placed.holdFromH),
      endH: moved(placed.endH),
      hands: placed.hands.map((hand) => ({ ...hand, atH: moved(hand.atH) })),
    })),
    totalH: moved(curve.totalH),
  };
}

/** … with several, by when they began: each hour is one of the burnout as it goes, the earlier ones counted in. */
export const interruptedBy = (
  curve: ProgrammeCurve,
  cuts: readonly Interruption[],
  kiln: KilnPace,
): ProgrammeCurve =>
  [...cuts].sort((a, b) => a.atH - b.atH).reduce((now, cut) => interrupted(now, cut, kiln), curve);
