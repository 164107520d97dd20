import { HOUR_MS, type Span } from './benchHours';
import type { PlacedStep, WorkStep } from './countBack';

/** A step after the pour, with the least wait before it. */
export type LaterStep = WorkStep & { waits: { leastMin: number } };

/** The first begin from a moment on at which a step is attended as it must be; undefined: no stretch serves. */
function firstStart(
  { hours, attendance }: WorkStep,
  from: number,
  spans: readonly Span[],
): number | undefined {
  if (attendance === 'none') return from;
  const inside = attendance === 'whole' ? hours * HOUR_MS : 0;
  const span = spans.find(({ from: opens, to }) => Math.max(from, opens) + inside <= to);
  return span && Math.max(from, span.from);
}

/** Steps after the pour as early as bench hours allow, each after its wait. */
export function countOn(from: number, steps: readonly LaterStep[], spans: readonly Span[]): PlacedStep[] {
  let cursor = from;
  return steps.map((step) => {
    const ready = cursor + step.waits.leastMin * 60_000;
    const found = step.planned !== undefined && step.planned >= ready ? step.planned : firstStart(step, ready, spans); // prettier-ignore
    const begin = found ?? ready;
    cursor = begin + step.hours * HOUR_MS;
    return { key: step.key, from: begin, to: cursor, outside: found === undefined };
  });
}
