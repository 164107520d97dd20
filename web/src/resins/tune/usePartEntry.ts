import type { Trial } from '@zero-pour/contracts';
import type { TuningOf, TuningThings } from '@zero-pour/plan';
import { shallowRef } from 'vue';
import { useNotices } from '../../state/notices';
import { useRecords } from '../../state/recordStore';
import { newTrial, type TrialPlan } from './newTrial';
import { newPartSeen, seenOf, type PartSeen } from './partTrials';
import { takeTrialAway } from './useTrialEntry';

/** Parts that failed or stood, being typed; those kept before come with their trial. */
export interface OpenParts {
  seen: PartSeen;
  from: Trial;
  kept: boolean;
}

/** Entering parts as trials: a new entry begins as the next coupon would be printed. */
export function usePartEntry(things: () => TuningThings | undefined, plan: () => TrialPlan | undefined) {
  const records = useRecords();
  const notices = useNotices();
  const parts = shallowRef<OpenParts>();

  function enterParts(of: TuningOf): void {
    const [at, planned] = [things(), plan()];
    if (!at || !planned) return;
    const from = newTrial(at, planned, new Date());
    parts.value = { seen: newPartSeen(of, from), from, kept: false };
  }
  function openPart(trial: Trial): void {
    if (trial.part) parts.value = { seen: seenOf({ ...trial, part: trial.part }), from: trial, kept: true };
  }
  const closeParts = (): void => void (parts.value = undefined);
  async function keepParts(trials: readonly Trial[]): Promise<void> {
    closeParts();
    for (const trial of trials) await records.keep('trial', trial).catch(notices.wrong);
  }
  async function removePart(trial: Trial): Promise<void> {
    closeParts();
    await takeTrialAway(trial, 'The parts are taken away.');
  }
  return { parts, enterParts, openPart, closeParts, keepParts, removePart };
}
