import type { Mold, Pattern } from '@zero-pour/contracts';
import { jobText, moldBlockJob, partOf, type BlockInput, type MadeBlock } from '@zero-pour/jobs';
import { computed, onScopeDispose, shallowRef } from 'vue';
import { sendBytes } from '../api/request';
import { runJob, whyNot, WorkCancelled } from '../jobs';
import { saveFile } from '../pattern';
import { useNotices } from '../state/notices';
import { useShop } from '../state/shopStore';

export type Made = Extract<MadeBlock, { status: 'made' }>;
type Refused = Extract<MadeBlock, { status: 'refused' }>;

const WHY: Record<Refused['why'], (mm: number) => string> = {
  open: () => 'The part is not closed, so it leaves no cavity. Mend the file first.',
  'not one': () => 'A half would be torn in pieces. Another pull, or a thicker wall.',
  thin: (mm) =>
    `The nozzle’s seat would cut through the block by ${mm.toFixed(1)} mm. A thicker wall, or a narrower seat.`,
};

/** What the halves are made by; undefined while it is not known which way it opens, or of what. */
function wishOf({ pull, form, scalePercent }: Mold, part: Pattern | undefined): BlockInput | undefined {
  if (!pull || !part) return undefined;
  return {
    part: partOf(part),
    scale: scalePercent / 100,
    pull,
    form: {
      wallMm: form.wallMm,
      keys: { shape: form.keyShape, share: form.keyPercent / 100, clearanceMm: form.clearanceMm },
      sprue: { neckMm: form.neckMm, nozzleMm: form.nozzleMm, towardDeg: null },
      vents: form.vents,
    },
  };
}

/** The two halves of a mold: made in a worker, saved, kept; the last good ones stay until others are made. */
export function useMoldBlock(mold: () => Mold, pattern: () => Pattern | undefined) {
  const shop = useShop();
  const notices = useNotices();
  const made = shallowRef<Made>();
  const sentence = shallowRef('');
  let running: AbortController | undefined;
  const working = shallowRef(false);
  onScopeDispose(() => running?.abort());

  const wish = computed(() => wishOf(mold(), pattern()));
  /** The last good halves stay in sight: whether they are of what is set now. */
  const madeOf = shallowRef('');
  const isOld = computed(
    () => made.value !== undefined && (!wish.value || madeOf.value !== jobText(moldBlockJob, wish.value)),
  );
  async function make(): Promise<void> {
    const asked = wish.value;
    if (!asked) return;
    running?.abort();
    const own = (running = new AbortController());
    working.value = true;
    sentence.value = '';
    try {
      const { output } = await runJob(moldBlockJob, asked, { signal: own.signal, urgent: true });
      if (output.status === 'made') [made.value, madeOf.value] = [output, jobText(moldBlockJob, asked)];
      else sentence.value = WHY[output.why](output.mm);
    } catch (error) {
      if (!(error instanceof WorkCancelled)) sentence.value = whyNot(error);
    } finally {
      // A newer one may be on its way.
      if (running === own) working.value = false;
    }
  }
  const nameOf = (half: 'lower' | 'upper'): string => `${pattern()?.name ?? mold().name}, ${half} half`;
  function save(half: 'lower' | 'upper'): void {
    if (made.value) saveFile(new Blob([made.value[half].bytes]), `${nameOf(half)}.stl`);
  }
  /** Both as patterns of the shop. */
  async function keep(): Promise<Mold['halves'] | undefined> {
    const block = made.value;
    if (!block) return undefined;
    try {
      for (const half of ['lower', 'upper'] as const) {
        const { hash, bytes, measure } = block[half];
        await sendBytes(hash, new Blob([bytes]));
        await shop.addPattern({
          id: crypto.randomUUID(),
          name: nameOf(half),
          fileName: `${nameOf(half)}.stl`,
          fileHash: hash,
          measure,
          note: `Of ${mold().name}, at ${mold().scalePercent} %`,
          formerId: null,
          classOverride: null,
          sprues: null,
        });
      }
      return { lower: block.lower.hash, upper: block.upper.hash, madeAt: new Date().toISOString() };
    } catch (error) {
      notices.wrong(error);
      return undefined;
    }
  }

  return {
    made: computed(() => made.value),
    isOld,
    working,
    sentence,
    make,
    stop: () => running?.abort(),
    save,
    keep,
  };
}
