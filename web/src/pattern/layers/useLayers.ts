import type { LayersJobAnswer } from '@zero-pour/contracts';
import { measureSteps, PATTERN_LIMITS, type PrintDirectionInput, type StepsReading } from '@zero-pour/core';
import { useDebounceFn } from '@vueuse/core';
import { onScopeDispose, shallowRef } from 'vue';
import type { ViewShape } from '../jobs/shapes';
import { inWorker, WorkCancelled } from '../jobs/workerPool';

export type LayersState =
  | { status: 'idle' }
  | { status: 'working' }
  | (LayersJobAnswer & { input: PrintDirectionInput; steps: StepsReading | null })
  | { status: 'failed'; sentence: string };

/** Typing an angle asks for several in a row. */
const WAIT_MS = 350;

/** Cuts the shape into layers in a worker; a newer wish ends the one before. */
export function useLayers() {
  const state = shallowRef<LayersState>({ status: 'idle' });
  let running: AbortController | undefined;

  function stop(): void {
    running?.abort();
    running = undefined;
    if (state.value.status === 'working') state.value = { status: 'idle' };
  }
  onScopeDispose(stop);

  async function cut(shape: ViewShape, input: PrintDirectionInput): Promise<void> {
    running?.abort();
    const own = (running = new AbortController());
    state.value = { status: 'working' };
    try {
      const { positions, triangles, paint } = shape;
      const answer = await inWorker(async (remote) => remote.layers({ positions, triangles }, input), {
        signal: own.signal,
      });
      const steps = paint
        ? measureSteps(shape, paint.gapUm, input.rotation, input.layerMm, PATTERN_LIMITS.polishMm)
        : null;
      if (running === own) state.value = { ...answer, input, steps };
    } catch (error) {
      if (error instanceof WorkCancelled || running !== own) return;
      state.value = { status: 'failed', sentence: error instanceof Error ? error.message : String(error) };
    }
  }

  return { state, cut: useDebounceFn(cut, WAIT_MS), stop };
}
