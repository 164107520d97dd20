import { errorSentence, type Pattern } from '@zero-pour/contracts';
import { FILE_BYTES_MAX, FILE_UNITS_MM, type FileUnit, type Step, type UnitOption } from '@zero-pour/core';
import { onScopeDispose, shallowRef } from 'vue';
import { sendBytes } from '../api/request';
import { useShop } from '../state/shopStore';
import { readFileJob } from '@zero-pour/jobs';
import { hashOf, runJob, whyNot, WorkCancelled } from '../jobs';

export type ReaderState =
  | { status: 'idle' }
  | { status: 'busy'; fileName: string; step: Step | 'keeping' }
  | { status: 'unit needed'; file: File; options: UnitOption[] }
  | { status: 'refused'; fileName: string; sentence: string };

/** "limpet-cufflink.v2.stl" → "limpet cufflink v2". */
const nameOf = (fileName: string): string =>
  fileName
    .replace(/\.[a-z0-9]+$/i, '')
    .replace(/[-_.]+/g, ' ')
    .trim()
    .slice(0, 120) || 'Pattern';

/** Reads a dropped file, asks for its unit when it must, and keeps it; a bad file leaves nothing behind. */
export function usePatternReader(
  kept: (pattern: Pattern) => void,
  formerOf: () => Pattern | undefined = () => undefined,
) {
  const shop = useShop();
  const state = shallowRef<ReaderState>({ status: 'idle' });
  let running: AbortController | undefined;

  const cancel = (): void => {
    running?.abort();
    state.value = { status: 'idle' };
  };
  onScopeDispose(() => running?.abort());

  async function keep(file: File, unitMm: number | null, signal: AbortSignal): Promise<void> {
    const report = (step: string): void => {
      if (!signal.aborted) state.value = { status: 'busy', fileName: file.name, step: step as Step };
    };
    const hash = await hashOf(file);
    const { output: answer } = await runJob(
      readFileJob,
      { file: hash, fileName: file.name, unitMm },
      // A file that is dropped does not wait for one that is being analysed.
      { signal, report, urgent: true, bytes: new Map([[hash, file]]) },
    );
    if (signal.aborted) return;
    if (answer.status === 'unit needed')
      state.value = { status: 'unit needed', file, options: answer.options };
    else {
      state.value = { status: 'busy', fileName: file.name, step: 'keeping' };
      await sendBytes(hash, file);
      const former = formerOf();
      const pattern = await shop.addPattern({
        id: crypto.randomUUID(),
        name: former?.name ?? nameOf(file.name),
        fileName: file.name,
        fileHash: hash,
        measure: answer.measure,
        note: former?.note ?? '',
        formerId: former?.id ?? null,
        classOverride: former?.classOverride ?? null,
      });
      state.value = { status: 'idle' };
      kept(pattern);
    }
  }

  async function read(file: File, unit?: FileUnit): Promise<void> {
    running?.abort();
    running = new AbortController();
    const { signal } = running;
    if (file.size > FILE_BYTES_MAX) {
      state.value = { status: 'refused', fileName: file.name, sentence: errorSentence('MESH_TOO_LARGE') };
      return;
    }
    state.value = { status: 'busy', fileName: file.name, step: 'reading' };
    try {
      await keep(file, unit ? FILE_UNITS_MM[unit] : null, signal);
    } catch (error) {
      if (error instanceof WorkCancelled) return;
      state.value = { status: 'refused', fileName: file.name, sentence: whyNot(error) };
    }
  }

  return { state, read, cancel };
}
