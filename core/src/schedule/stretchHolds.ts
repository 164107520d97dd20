import { requireNumber } from '../numeric';
import { HOUR_MS, isWithin, MINUTE_MS, type Span } from './benchHours';

/** Holds are stretched in such steps. min */
const STEP_MIN = 5;

/** A part of a burnout: when its hands are wanted, and by how much its hold may become longer. */
export interface StretchPart {
  /** Hours before zero at which hands are wanted in it, as the programme stands. */
  handsBeforeH: readonly number[];
  /** 0: its hold stays. h */
  mostMoreH: number;
}

/**
 * The least by which holds must become longer, in all, so that every hand of a burnout and its kiln-in fall where somebody is there, zero staying where it
 * is: hours more of each part, or undefined where no stretch within the bounds does. What a hold grows by comes after its own hands and moves all before
 * its end to earlier hours. Exact on five minutes; O(parts · steps²), the steps of the whole stretch.
 */
export function stretchHolds(
  zero: number,
  kilnBeforeH: number,
  parts: readonly StretchPart[],
  spans: readonly Span[],
): number[] | undefined {
  requireNumber('kilnBeforeH', kilnBeforeH, 0, 24 * 30);
  const there = (beforeH: number, steps: number): boolean =>
    isWithin(spans, zero - beforeH * HOUR_MS - steps * STEP_MIN * MINUTE_MS);
  if (!isWithin(spans, zero)) return undefined;
  // From the last part to the first: by how many steps all before its end can be moved, and what that takes of its own hold.
  let reached = new Set([0]);
  const ways: Map<number, number>[] = [];
  for (const { handsBeforeH, mostMoreH } of [...parts].reverse()) {
    const most = Math.floor((mostMoreH * 60) / STEP_MIN + 1e-9);
    const next = new Map<number, number>();
    for (const before of reached)
      for (let more = 0; more <= most; more++) {
        const all = before + more;
        if (next.has(all) && next.get(all)! <= more) continue;
        if (handsBeforeH.every((h) => there(h, all))) next.set(all, more);
      }
    ways.push(next);
    reached = new Set(next.keys());
  }
  const total = [...reached].sort((a, b) => a - b).find((steps) => there(kilnBeforeH, steps));
  if (total === undefined) return undefined;
  let left = total;
  // Back from the first part to the last.
  return ways.reverse().map((of) => {
    const more = of.get(left)!;
    left -= more;
    return (more * STEP_MIN) / 60;
  });
}
