import { readingValue, type RecordLists, type ShopLists, type Trial } from '@zero-pour/contracts';
import {
  baseTrial,
  carryOver,
  changedSettings,
  FEATURE_SIZE_MM,
  featureCount,
  quantity,
  SAME_LAYER_MM,
  say,
  type Phrase,
  type TunedClass,
  type TuningTrial,
} from '@zero-pour/core';
import { changeable, curveOf, trialSetting, wantedSetting, type TuningThings } from './settings';

/** What a trial is tuned for: a class of parts, or the base layers. */
export type TuningOf = TunedClass | 'base';

/** A coupon, or copies of a part, with what it says here. */
export interface UsedTrial extends TuningTrial {
  trial: Trial;
  /** Its number among the coupons at these settings, from 1, oldest first; 0 for one carried over and for parts. */
  number: number;
  /** How its exposure was carried over from other settings; empty for one made at these. */
  laws: Phrase[];
}

export interface GatheredTrials {
  used: UsedTrial[];
  /** Pieces of test sets that count as struts. */
  pieces: TuningTrial[];
  leftOut: { trial: Trial; why: Phrase }[];
  /** By trial id: what it changed against the one before, when that is more than one thing. */
  changedMore: Map<string, string[]>;
  /** Vat temperature that the trials are told by: the newest measured one. */
  vatC: number | null;
  /** Size of struts and slots that they are told by: the newest coupon's; null before there is one. */
  featureMm: number | null;
}

/** All trials of the resin that were made at these very settings, oldest first. */
const sameSettings = (trial: Trial, { printer, layerMm }: TuningThings): boolean =>
  trial.printerId === printer.id && Math.abs(trial.layerMm - layerMm) <= SAME_LAYER_MM;

/** The trial as counts of what is tuned, its exposure times a factor; undefined when it says nothing about it. */
function countsOf(trial: Trial, of: TuningOf, factor: number): TuningTrial | undefined {
  if (of === 'base') return trial.base ? baseTrial(trial.baseExposureS, trial.base) : undefined;
  const exposureS = trial.exposureS * factor;
  if (trial.part)
    return trial.part.castClass === of && trial.part.of > 0
      ? { exposureS, struts: { good: trial.part.good, of: trial.part.of }, slots: { good: 0, of: 0 } }
      : undefined;
  const row = trial.coupon.classes.find((c) => c.castClass === of);
  const seen = trial.counts[of];
  if (!row || !seen || (!seen.struts && !seen.slots)) return undefined;
  return {
    exposureS,
    struts: featureCount(seen.struts ?? undefined, row.struts),
    slots: featureCount(seen.slots ?? undefined, row.slots),
  };
}

/** Whole and missing pieces of test sets count as one strut each; thin or distorted ones say nothing of survival. */
function piecesOf(records: RecordLists, things: TuningThings, of: TuningOf): TuningTrial[] {
  return records.testSetRun
    .filter((run) => run.resinId === things.resin.id && run.printerId === things.printer.id)
    .filter((run) => Math.abs(run.layerMm - things.layerMm) <= SAME_LAYER_MM)
    .flatMap((run) =>
      run.pieces
        .filter((piece) => piece.castClass === of && (piece.print === 'whole' || piece.print === 'missing'))
        .map((piece) => ({
          exposureS: run.exposureS,
          struts: { good: piece.print === 'whole' ? 1 : 0, of: 1 },
          slots: { good: 0, of: 0 },
        })),
    );
}

/** Sizes closer than this share are the same. */
const SAME_SIZE_SHARE = 0.04;

/** Size of the features that a trial carries for a class. */
const featureOf = (trial: Trial, of: TuningOf): number | undefined =>
  trial.coupon.classes.find((row) => row.castClass === of)?.featureMm;

/** More than this share of the copies standing is a part that stands. */
const STANDS_SHARE = 0.5;

/**
 * A part stands for struts as thin as its thinnest place. Of thinner ones it says something only when it fell, of stouter
 * ones only when it stood; a part whose thinnest is not known counts as its class's.
 */
function partSays(
  { thinnestMm, good, of }: NonNullable<Trial['part']>,
  wantedMm: number,
): Phrase | undefined {
  if (thinnestMm === null || Math.abs(thinnestMm / wantedMm - 1) <= SAME_SIZE_SHARE) return undefined;
  const stood = good > STANDS_SHARE * of;
  const [thinnest, wanted] = [quantity(thinnestMm, 'mm', 2), quantity(wantedMm, 'mm', 2)];
  if (thinnestMm > wantedMm && stood)
    return say`It stood, but is ${thinnest} at its thinnest: that says nothing of ${wanted}.`;
  if (thinnestMm < wantedMm && !stood)
    return say`It fell, but is ${thinnest} at its thinnest: ${wanted} may stand.`;
  return undefined;
}

/** A count says something only about features of its size. */
function otherSize(trial: Trial, of: TuningOf, wantedMm: number | null): Phrase | undefined {
  if (trial.part && of !== 'base') return partSays(trial.part, wantedMm ?? FEATURE_SIZE_MM[of]);
  const featureMm = featureOf(trial, of);
  if (featureMm === undefined || wantedMm === null) return undefined;
  if (Math.abs(featureMm / wantedMm - 1) <= SAME_SIZE_SHARE) return undefined;
  return say`Its features were ${quantity(featureMm, 'mm', 2)}, not ${quantity(wantedMm, 'mm', 2)}.`;
}

/** What each trial changed against the one printed before it, where that is more than one thing. */
function changesOf(trials: readonly Trial[]): Map<string, string[]> {
  const out = new Map<string, string[]>();
  trials.forEach((trial, i) => {
    const before = trials[i - 1];
    const changed = before ? changedSettings(changeable(trial), changeable(before)) : [];
    if (changed.length > 1) out.set(trial.id, changed);
  });
  return out;
}

/**
 * The trials that speak for a resin on a printer at a layer height. Others of the resin are used only when asked for
 * (`pool`), and then only by a stated law; the rest are listed with the reason (handbook 02).
 */
export function gatherTrials(
  lists: ShopLists,
  records: RecordLists,
  things: TuningThings,
  of: TuningOf,
  pool: boolean,
): GatheredTrials {
  const all = records.trial
    .filter((trial) => trial.resinId === things.resin.id)
    .sort((a, b) => a.printedAt.localeCompare(b.printedAt));
  const own = all.filter((trial) => sameSettings(trial, things));
  const vatC = own.map((trial) => readingValue(trial.vatC)).findLast((c) => c !== undefined) ?? null;
  const featureMm = own.map((trial) => featureOf(trial, of)).findLast((mm) => mm !== undefined) ?? null;
  const wanted = wantedSetting(things, vatC);
  const dpMm = curveOf(records, things.resin.id, things.printer.wavelengthNm)?.dpMm ?? null;
  const gathered: GatheredTrials = {
    used: [],
    pieces: piecesOf(records, things, of),
    leftOut: [],
    changedMore: changesOf(own),
    vatC,
    featureMm,
  };
  let number = 0;
  for (const trial of all) {
    const isOwn = own.includes(trial);
    if (isOwn && !trial.part) number++;
    const setting = trialSetting(trial, lists.printer);
    if (!setting || !countsOf(trial, of, 1)) continue;
    const size = otherSize(trial, of, featureMm);
    if (size) {
      gathered.leftOut.push({ trial, why: size });
      continue;
    }
    const carried = carryOver(setting, wanted, dpMm);
    if (carried.status === 'refused') gathered.leftOut.push({ trial, why: carried.why });
    else if (!isOwn && (of === 'base' || !pool)) {
      const why =
        of === 'base'
          ? say`Base seconds are not carried over.`
          : say`Other settings; it can be counted in by law.`;
      gathered.leftOut.push({ trial, why });
    } else {
      const counts = countsOf(trial, of, carried.factor);
      if (counts)
        gathered.used.push({
          ...counts,
          trial,
          number: isOwn && !trial.part ? number : 0,
          laws: carried.laws,
        });
    }
  }
  return gathered;
}
