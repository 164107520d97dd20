import type { Trial } from '@zero-pour/contracts';
import type { TuningThings } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import { useNotices } from '../../state/notices';
import { useRecords } from '../../state/recordStore';
import { useEdited } from '../../state/useEdited';
import { newTrial, saysSomething, type TrialPlan } from './newTrial';

/** Takes a trial away, to be had back by a press. */
export async function takeTrialAway(trial: Trial, words: string): Promise<void> {
  const records = useRecords();
  const notices = useNotices();
  await records.remove('trial', trial.id).catch(notices.wrong);
  notices.tell(words, {
    label: 'Undo',
    run: () => void records.keep('trial', trial).catch(notices.wrong),
  });
}

/** The coupon that is being counted: made when counting begins, kept as it is typed, gone again when it says nothing. */
export function useTrialEntry(
  things: () => TuningThings | undefined,
  plan: (before: Trial | undefined) => TrialPlan | undefined,
) {
  const records = useRecords();
  const notices = useNotices();
  const openId = shallowRef<string>();
  const {
    item: open,
    standing,
    change,
  } = useEdited<Trial>(
    () => records.lists.trial.find((trial) => trial.id === openId.value && !trial.part),
    () => (changed) => records.keepTyped('trial', changed),
  );

  /** Trials at the settings in view, oldest first. */
  const same = computed(() => {
    const at = things();
    return records.lists.trial
      .filter((t) => t.resinId === at?.resin.id && t.printerId === at.printer.id && t.layerMm === at.layerMm)
      .sort((a, b) => a.printedAt.localeCompare(b.printedAt));
  });
  const number = computed(
    () => same.value.filter((trial) => !trial.part).findIndex((trial) => trial.id === openId.value) + 1,
  );

  async function enter(): Promise<void> {
    const at = things();
    const planned = plan(same.value.at(-1));
    if (!at || !planned || openId.value) return;
    const trial = newTrial(at, planned, new Date());
    openId.value = trial.id;
    await records.add('trial', trial).catch(notices.wrong);
  }
  const remove = (trial: Trial): Promise<void> => records.remove('trial', trial.id).catch(notices.wrong);
  async function close(): Promise<void> {
    const trial = open.value;
    openId.value = undefined;
    // A coupon that was opened and says nothing was not printed yet.
    if (trial && !saysSomething(trial)) await remove(trial);
  }
  async function discard(): Promise<void> {
    const trial = open.value;
    openId.value = undefined;
    if (!trial) return;
    await takeTrialAway(trial, 'The coupon is taken away.');
  }
  const openTrial = (trial: Trial): void => void (openId.value = trial.id);
  return { open, standing, number, same, change, enter, close, discard, openTrial };
}
