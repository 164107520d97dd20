import { emptyMold, type Mold, type Pattern, type Resin, type StepRecord } from '@zero-pour/contracts';
import type { MoldThings } from '@zero-pour/plan';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import { useNamedPatterns } from '../state/useNamedPatterns';

/** Molds of the shop, the newest first. */
export const useMolds = defineStore('molds', () => {
  const records = useRecords();
  const shop = useShop();
  const notices = useNotices();
  const wrong = (error: unknown): void => notices.wrong(error);
  const all = computed(() => [...records.lists.mold].sort((a, b) => b.number - a.number));
  const load = (): void => void records.load().catch(wrong);

  /** Shows a change at once and keeps it. */
  function change(mold: Mold, fields: Partial<Mold>): void {
    const changed = { ...mold, ...fields };
    records.take('mold', changed);
    void records.keepTyped('mold', changed).catch(wrong);
  }
  async function add(fields: Partial<Mold> = {}): Promise<Mold | undefined> {
    const number = Math.max(0, ...all.value.map((mold) => mold.number)) + 1;
    const mold = { ...emptyMold(number), ...fields, id: crypto.randomUUID() };
    try {
      await records.add('mold', mold);
      return mold;
    } catch (error) {
      wrong(error);
      return undefined;
    }
  }
  function remove(mold: Mold): void {
    void records.remove('mold', mold.id).catch(wrong);
    notices.tell(`${mold.name} is taken out.`, {
      label: 'Undo',
      run: () => void records.add('mold', mold).catch(wrong),
    });
  }
  /** Keeps what was done of a step; with the first one its making has begun. */
  function recordStep(mold: Mold, key: string, record: StepRecord | undefined): void {
    const { [key]: _, ...others } = mold.steps;
    const steps = record ? { ...others, [key]: record } : others;
    change(mold, { steps, ...(record && mold.state === 'planned' ? { state: 'being made' } : {}) });
  }
  const patternOf = (mold: Mold): Pattern | undefined =>
    shop.wholePatterns.find(({ id }) => id === mold.patternId);
  useNamedPatterns(() => all.value.map(({ patternId }) => patternId));
  const resinOf = (mold: Mold): Resin | undefined => shop.lists.resin.find(({ id }) => id === mold.resinId);
  const thingsOf = (mold: Mold): MoldThings => ({ pattern: patternOf(mold), resin: resinOf(mold) });
  return { all, load, change, recordStep, add, remove, patternOf, resinOf, thingsOf };
});
