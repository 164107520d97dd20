import { afterLook, stepsAgain, type Look } from './looks';
import type { CleanStep } from './steps';

/** What is kept of one step of a run, as far as it decides what follows. */
export interface RunRecord {
  saw?: Look | undefined;
}

/** A step as it comes in a run: the protocol's own, or again. */
export interface RunStep {
  /** The step's key; "bath2~2" when it comes the second time. */
  key: string;
  step: CleanStep;
  /** Its place in the protocol. */
  at: number;
  /** 1 the first time. */
  round: number;
  /** What sent it back, for steps that a look asked for. */
  because: string;
}

/** A print that is sent back more often than this is not mended by more washing. */
export const ROUNDS_MOST = 6;

/**
 * The steps of a protocol in the order they come, with what looks sent back put in after them. Pure: the same records
 * give the same run, so that a reload goes on where it was. O(steps · rounds).
 */
export function cleanRun(
  protocol: readonly CleanStep[],
  records: Readonly<Record<string, RunRecord | undefined>>,
): RunStep[] {
  const run: RunStep[] = [];
  const came = new Map<string, number>();
  const next = (at: number, because: string): RunStep => {
    const step = protocol[at]!;
    const round = (came.get(step.key) ?? 0) + 1;
    came.set(step.key, round);
    return { key: round === 1 ? step.key : `${step.key}~${round}`, step, at, round, because };
  };
  const walk = (at: number, because: string): void => {
    const entry = next(at, because);
    run.push(entry);
    const saw = entry.step.kind === 'look' ? records[entry.key]?.saw : undefined;
    if (!saw || entry.round >= ROUNDS_MOST) return;
    const { backTo, says } = afterLook(protocol, at, saw);
    if (backTo !== null) for (const again of stepsAgain(protocol, backTo, at)) walk(again, says);
  };
  protocol.forEach((step, at) => {
    for (let n = 0; n < step.times; n++) walk(at, '');
  });
  return run;
}
