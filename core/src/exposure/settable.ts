import { InputError, requirePositive } from '../numeric';

/** Exposures that a printer can be set to, s. */
export interface Settable {
  leastS: number;
  mostS: number;
  stepS: number;
}

/** The nearest exposure that can be set. */
export function snapS({ leastS, mostS, stepS }: Settable, seconds: number): number {
  const steps = Math.round((seconds - leastS) / stepS);
  const most = Math.floor((mostS - leastS) / stepS + 1e-9);
  // Rounded to a millionth, so that 3.7 is 3.7 and not 3.7000000000000006.
  return Math.round((leastS + Math.min(Math.max(steps, 0), most) * stepS) * 1e6) / 1e6;
}

/** About `points` exposures that can be set, evenly spaced by ratio, ascending; fewer where steps are coarse. */
export function spacedS(
  settable: Settable,
  points: number,
  fromS = settable.leastS,
  toS = settable.mostS,
): number[] {
  requirePositive('leastS', settable.leastS);
  requirePositive('stepS', settable.stepS);
  if (!(settable.mostS > settable.leastS)) throw new InputError('mostS', 'above leastS', settable.mostS);
  const from = Math.max(fromS, settable.leastS);
  const to = Math.max(Math.min(toS, settable.mostS), from);
  const found = new Set<number>();
  for (let i = 0; i < points; i++) {
    found.add(snapS(settable, from * (to / from) ** (i / Math.max(points - 1, 1))));
  }
  return [...found].sort((a, b) => a - b);
}

/** Every exposure that can be set from one to another, both included. */
export function everyStepS(settable: Settable, fromS: number, toS: number): number[] {
  const out: number[] = [];
  const first = snapS(settable, fromS);
  const steps = Math.round((snapS(settable, toS) - first) / settable.stepS);
  for (let i = 0; i <= steps; i++) out.push(snapS(settable, first + i * settable.stepS));
  return out;
}
