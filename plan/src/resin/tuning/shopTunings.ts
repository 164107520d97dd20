import { readingValue, type RecordLists, type Trial } from '@zero-pour/contracts';
import { featureCount, SAME_VAT_C, TUNED_CLASSES, type TuningTrial } from '@zero-pour/core';

type Seen = NonNullable<Trial['counts']['filigree']>['struts'];

/**
 * All tunings of the shop, each the coupons of one resin, printer, layer height, feature and warmth of the vat: what the spread between coupons is
 * learnt from. `except` is the one being counted right now: half a count tells nothing.
 */
export function shopTunings(records: RecordLists, except?: string): TuningTrial[][] {
  const groups = new Map<string, TuningTrial[]>();
  for (const trial of records.trial) {
    if (trial.id === except) continue;
    for (const [key, counts] of countsIn(trial)) {
      const group = groups.get(key);
      if (group) group.push(counts);
      else groups.set(key, [counts]);
    }
  }
  return [...groups.values()].filter((group) => group.length > 1);
}

/** What was counted; "most" and "few" tell nothing of a scatter. */
const counted = (seen: Seen): { good: number } | undefined =>
  seen !== null && 'good' in seen ? seen : undefined;

function countsIn(trial: Trial): [string, TuningTrial][] {
  const { resinId, printerId, layerMm, exposureS } = trial;
  const vatC = readingValue(trial.vatC);
  return TUNED_CLASSES.flatMap((castClass): [string, TuningTrial][] => {
    const row = trial.coupon.classes.find((c) => c.castClass === castClass);
    const seen = trial.counts[castClass];
    if (!row || !seen) return [];
    const warmth = vatC === undefined ? '' : Math.round(vatC / SAME_VAT_C);
    const key = [resinId, printerId, layerMm, castClass, row.featureMm, warmth].join(' ');
    const struts = featureCount(counted(seen.struts), row.struts);
    const slots = featureCount(counted(seen.slots), row.slots);
    return [[key, { exposureS, struts, slots }]];
  });
}
