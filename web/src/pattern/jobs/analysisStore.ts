import { patternSchema, type ListedPattern } from '@zero-pour/contracts';
import type { PatternAnalysis, Step } from '@zero-pour/core';
import { jobText, patternJob, pieceOf, type PatternOutput } from '@zero-pour/jobs';
import { defineStore } from 'pinia';
import { shallowReactive } from 'vue';
import { request } from '../../api/request';
import { useReadings, whyNot, WorkCancelled } from '../../jobs';
import { useShop } from '../../state/shopStore';
import { plainShape } from './plainShapes';

/** What is known of a pattern beyond its measure, and what is being done about it. */
export type AnalysisState =
  | { status: 'asking' }
  | { status: 'unread' }
  | { status: 'waiting' }
  | { status: 'working'; step: Step; share: number }
  | { status: 'analysed'; analysis: PatternAnalysis; shapeHash: string }
  | { status: 'too open'; openShare: number }
  | { status: 'failed'; sentence: string };

/** An analysis belongs to bytes and unit, whichever patterns have them. */
const keyOf = (pattern: ListedPattern): string => jobText(patternJob, pieceOf(pattern));

/** Analyses of patterns: kept ones from the server, others made here and kept there. */
export const useAnalyses = defineStore('analyses', () => {
  const readings = useReadings();
  const states = shallowReactive(new Map<string, AnalysisState>());
  const runs = new Map<string, { done: Promise<void>; stop: AbortController }>();

  const of = (pattern: ListedPattern): AnalysisState => states.get(keyOf(pattern)) ?? { status: 'asking' };
  const set = (pattern: ListedPattern, state: AnalysisState): void => void states.set(keyOf(pattern), state);
  const failed = (pattern: ListedPattern, error: unknown): void =>
    set(pattern, { status: 'failed', sentence: whyNot(error) });
  const take = (pattern: ListedPattern, { result }: PatternOutput): void => set(pattern, result);
  const isKnown = (pattern: ListedPattern): boolean => ['analysed', 'too open'].includes(of(pattern).status);

  /** Asks for what is kept; when it resolves the state is no longer 'asking'. */
  async function look(pattern: ListedPattern): Promise<void> {
    if (isKnown(pattern)) return;
    try {
      const found = await readings.look(patternJob, pieceOf(pattern));
      if (found.status === 'known') take(pattern, found.value);
      else if (!runs.has(keyOf(pattern))) set(pattern, { status: 'unread' });
    } catch (error) {
      failed(pattern, error);
    }
  }

  async function run(pattern: ListedPattern, background: boolean, signal: AbortSignal): Promise<void> {
    set(pattern, { status: 'waiting' });
    // The picture first: then one worker reads the file for both.
    if (!background) await plainShape(pieceOf(pattern)).catch(() => undefined);
    const report = (step: string, share: number): void =>
      set(pattern, { status: 'working', step: step as Step, share });
    take(pattern, await readings.make(patternJob, pieceOf(pattern), { signal, background, report }));
    // Its measure was read again with it.
    useShop().takePattern(await request(patternSchema, 'GET', `/patterns/${pattern.id}`));
  }

  /** Makes the analysis unless it is there or on its way. */
  async function ensure(pattern: ListedPattern, background = false): Promise<void> {
    await look(pattern);
    const key = keyOf(pattern);
    const going = runs.get(key);
    if (going) return going.done;
    if (isKnown(pattern)) return;
    const stop = new AbortController();
    const done = run(pattern, background, stop.signal)
      .catch((error: unknown) =>
        error instanceof WorkCancelled ? set(pattern, { status: 'unread' }) : failed(pattern, error),
      )
      .finally(() => runs.delete(key));
    runs.set(key, { done, stop });
    return done;
  }

  const cancel = (pattern: ListedPattern): void => runs.get(keyOf(pattern))?.stop.abort();

  return { of, look, ensure, cancel };
});
