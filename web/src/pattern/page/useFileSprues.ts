import type { FileSprues, Pattern } from '@zero-pour/contracts';
import type { RodBody, SprueCut, SprueMark } from '@zero-pour/core';
import { partOf, spruesJob } from '@zero-pour/jobs';
import { onScopeDispose, shallowRef, watch } from 'vue';
import { sendBytes } from '../../api/request';
import { runJob, whyNot, WorkCancelled } from '../../jobs';
import { useShop } from '../../state/shopStore';

type Refused = Extract<SprueCut, { status: 'refused' }>;
const WHY: Record<Refused['why'], string> = {
  'no rod': 'Nothing like a sprue there. Press on its side, just off the part.',
  open: 'The surface is open, so nothing can be cut off it. Mend the file, or export the sprue as a body of its own.',
  joined:
    'What lies beyond joins the part elsewhere too. Mark each foot of the sprue, or press on the sprue itself.',
  'too much': 'That would take half of the part or more. Press on the sprue itself, away from the part.',
  twice: 'That place is cut away already by another mark.',
};

/** Sprues that a pattern's file holds: what looks like one, and what the user marks, cut off in a worker and kept. */
export function useFileSprues(pattern: () => Pattern) {
  const shop = useShop();
  const busy = shallowRef(false);
  const sentence = shallowRef('');
  const rods = shallowRef<RodBody[]>([]);
  let running: AbortController | undefined;
  onScopeDispose(() => running?.abort());

  async function find(marks: SprueMark[]) {
    running?.abort();
    running = new AbortController();
    const { signal } = running;
    const part = partOf(pattern());
    return (await runJob(spruesJob, { part, marks }, { signal, urgent: marks.length > 0 })).output;
  }

  async function keep(sprues: FileSprues | null): Promise<void> {
    const { id, name, note, classOverride } = pattern();
    await shop.changePattern(id, { name, note, classOverride, sprues });
  }

  async function take(marks: SprueMark[]): Promise<void> {
    if (marks.length === 0) return keep(null);
    const found = await find(marks);
    if (found.status === 'refused') sentence.value = WHY[found.why];
    else if (found.status === 'cut') {
      const { bytes, sections, pieceHash, piece } = found;
      await sendBytes(pieceHash, new Blob([bytes]));
      await keep({ marks, sections, pieceHash, piece });
    }
  }

  /** Keeps the file as these marks make it; what cannot be is said, and nothing changes. */
  async function set(marks: SprueMark[]): Promise<void> {
    sentence.value = '';
    busy.value = true;
    try {
      await take(marks);
    } catch (error) {
      if (!(error instanceof WorkCancelled)) sentence.value = whyNot(error);
    } finally {
      busy.value = false;
    }
  }

  const marks = (): SprueMark[] => pattern().sprues?.marks ?? [];
  const add = (mark: Omit<SprueMark, 'shiftMm'>): Promise<void> => set([...marks(), { ...mark, shiftMm: 0 }]);
  const remove = (n: number): Promise<void> => set(marks().filter((_, m) => m !== n));
  const shift = (n: number, byMm: number): Promise<void> =>
    set(marks().map((mark, m) => (m === n ? { ...mark, shiftMm: tidy(mark.shiftMm + byMm) } : mark)));

  const turn = (n: number): Promise<void> =>
    set(marks().map((mark, m) => (m === n ? { ...mark, greater: !mark.greater } : mark)));

  watch(
    () => [pattern().id, pattern().sprues == null] as const,
    async ([, unmarked]) => {
      sentence.value = '';
      rods.value = [];
      if (!unmarked || pattern().measure.shells < 2) return;
      const found = await find([]).catch(() => undefined);
      if (found?.status === 'unmarked') rods.value = found.rods;
    },
    { immediate: true },
  );

  return { busy, sentence, rods, add, remove, shift, turn };
}

const tidy = (mm: number): number => Math.round(mm * 100) / 100;
