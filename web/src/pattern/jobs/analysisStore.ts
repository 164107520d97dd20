import {
  analysisAnswerSchema,
  errorSentence,
  patternSchema,
  type KeptAnalysis,
  type Pattern,
} from '@zero-pour/contracts';
import { ANALYSIS_VERSION, type PatternAnalysis, type Step } from '@zero-pour/core';
import { proxy } from 'comlink';
import { defineStore } from 'pinia';
import { shallowReactive } from 'vue';
import { fetchBytes, request, sendBytes } from '../../api/request';
import { useShop } from '../../state/shopStore';
import { inWorker, WorkCancelled } from './workerPool';

/** What is known of a pattern beyond its measure, and what is being done about it. */
export type AnalysisState =
  | { status: 'asking' }
  | { status: 'unread' }
  | { status: 'waiting' }
  | { status: 'working'; step: Step; share: number }
  | { status: 'analysed'; analysis: PatternAnalysis; shapeHash: string }
  | { status: 'too open'; openShare: number }
  | { status: 'failed'; sentence: string };

/** Progress is shown no more often than this. */
const REPORT_EVERY_MS = 50;
/** An analysis belongs to bytes and unit, whichever patterns have them. */
const keyOf = (pattern: Pattern): string => `${pattern.fileHash} ${pattern.measure.unitMm}`;

/** Analyses of patterns: kept ones from the server, others made here and kept there. */
export const useAnalyses = defineStore('analyses', () => {
  const states = shallowReactive(new Map<string, AnalysisState>());
  const asked = new Map<string, Promise<void>>();
  const runs = new Map<string, { done: Promise<void>; stop: AbortController }>();

  const of = (pattern: Pattern): AnalysisState => states.get(keyOf(pattern)) ?? { status: 'asking' };
  const set = (pattern: Pattern, state: AnalysisState): void => void states.set(keyOf(pattern), state);
  const failed = (pattern: Pattern, error: unknown): void =>
    set(pattern, { status: 'failed', sentence: error instanceof Error ? error.message : String(error) });

  function take(pattern: Pattern, { result }: KeptAnalysis): void {
    set(pattern, result);
  }

  async function ask(pattern: Pattern): Promise<void> {
    try {
      const { kept } = await request(analysisAnswerSchema, 'GET', `/patterns/${pattern.id}/analysis`);
      if (kept) take(pattern, kept);
      else set(pattern, { status: 'unread' });
    } catch (error) {
      asked.delete(keyOf(pattern));
      failed(pattern, error);
    }
  }

  /** Asks once for what is kept; when it resolves the state is no longer 'asking'. */
  function look(pattern: Pattern): Promise<void> {
    const key = keyOf(pattern);
    const found = asked.get(key) ?? ask(pattern);
    asked.set(key, found);
    return found;
  }

  async function keep(
    pattern: Pattern,
    kept: KeptAnalysis,
    shape: Uint8Array<ArrayBuffer> | null,
  ): Promise<void> {
    if (shape && kept.result.status === 'analysed') await sendBytes(kept.result.shapeHash, new Blob([shape]));
    useShop().takePattern(await request(patternSchema, 'PUT', `/patterns/${pattern.id}/analysis`, kept));
  }

  async function run(pattern: Pattern, background: boolean, signal: AbortSignal): Promise<void> {
    set(pattern, { status: 'waiting' });
    let last = -Infinity;
    const report = proxy((step: Step, share: number) => {
      if (signal.aborted || performance.now() - last < REPORT_EVERY_MS) return;
      last = performance.now();
      set(pattern, { status: 'working', step, share });
    });
    const bytes = (await fetchBytes(pattern.fileHash)) as Uint8Array<ArrayBuffer>;
    const { fileName, measure } = pattern;
    const answer = await inWorker(async (remote) => remote.analyse(bytes, fileName, measure.unitMm, report), {
      signal,
      background,
    });
    if (answer.status === 'refused') {
      return set(pattern, { status: 'failed', sentence: errorSentence(answer.code, answer.detail) });
    }
    const result: KeptAnalysis['result'] =
      answer.status === 'analysed'
        ? { status: 'analysed', analysis: answer.analysis, shapeHash: answer.shapeHash }
        : { status: 'too open', openShare: answer.openShare };
    const kept = { version: ANALYSIS_VERSION, measure: answer.measure, result };
    await keep(pattern, kept, answer.status === 'analysed' ? answer.shape : null);
    take(pattern, kept);
  }

  /** Makes the analysis unless it is there or on its way. */
  async function ensure(pattern: Pattern, background = false): Promise<void> {
    await look(pattern);
    const key = keyOf(pattern);
    const going = runs.get(key);
    if (going) return going.done;
    if (['analysed', 'too open'].includes(of(pattern).status)) return;
    const stop = new AbortController();
    const done = run(pattern, background, stop.signal)
      .catch((error: unknown) =>
        error instanceof WorkCancelled ? set(pattern, { status: 'unread' }) : failed(pattern, error),
      )
      .finally(() => runs.delete(key));
    runs.set(key, { done, stop });
    return done;
  }

  const cancel = (pattern: Pattern): void => runs.get(keyOf(pattern))?.stop.abort();

  return { of, look, ensure, cancel };
});
