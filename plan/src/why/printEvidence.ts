import { judgeStepTime, quantity, say, type CleanKind, type Evidence, type Sign } from '@zero-pour/core';
import { readingValue } from '@zero-pour/contracts';
import { cleaningOf, isOver, minutesOf } from '../clean/cleaning';
import type { PourContext } from '../context';
import { valueOf } from '../planned';
import { cutOfPlate, planLoad } from '../print/plateLoad';

const MS_A_DAY = 86_400_000;
/** A figure this far from what others report is low, or high. */
const FAR = 0.15;
/** Layers from here on are thick; rafts from so many times the resin's. */
const THICK_LAYER_MM = 0.06;
const THICK_RAFT = 1.5;
/** Overhang from this share of the surface on is much. */
const MUCH_OVERHANG = 0.12;
/** Heights of flaws closer than this are one height. */
const SAME_HEIGHT_MM = 0.3;

const sign = (bad: boolean, says: Sign['says']): Sign => ({ state: bad ? 'bad' : 'good', says });

/** Exposure and base against what is reported for this printer at this layer height. */
function exposureSigns({ resin, printer, profile }: PourContext): Record<string, Sign> {
  if (!resin || !printer || !profile) return {};
  const signs: Record<string, Sign> = {
    'profile untested': sign(
      !profile.tested,
      profile.tested ? say`The profile was tuned here.` : say`The profile was never tested here.`,
    ),
    'layer thick': sign(
      profile.layerMm >= THICK_LAYER_MM,
      say`Layers of ${quantity(profile.layerMm, 'mm', 3)}.`,
    ),
    'raft thick': sign(
      profile.raftMm > THICK_RAFT * resin.raftMm,
      say`Raft of ${quantity(profile.raftMm, 'mm', 1)}; the resin’s usual is ${quantity(resin.raftMm, 'mm', 1)}.`,
    ),
  };
  const reported = resin.reported.find(
    (r) => r.printerId === printer.id && Math.abs(r.layerMm - profile.layerMm) < 0.006,
  );
  if (!reported) return signs;
  const against = (own: number, theirs: number) =>
    say`${quantity(own, 's', 1)}; reported for this printer ${quantity(theirs, 's', 1)}.`;
  const { exposureS, baseExposureS } = reported;
  const compare = (name: string, own: number, theirs: number): void => {
    signs[`${name} low`] = sign(own < theirs * (1 - FAR), against(own, theirs));
    signs[`${name} high`] = sign(own > theirs * (1 + FAR), against(own, theirs));
  };
  compare('exposure', profile.exposureS, exposureS);
  if (baseExposureS !== null) compare('base', profile.baseExposureS, baseExposureS);
  return signs;
}

/** Age of the resin in this printer's vat when the print was started. */
function vatSign({ doc, resin, printer }: PourContext): Record<string, Sign> {
  const vat = resin?.vats.find((v) => v.printerId === printer?.id);
  const startedAt = doc.print.startedAt;
  if (!resin || !vat || !startedAt || resin.vatLifeDays === null) return {};
  const days = (Date.parse(startedAt) - Date.parse(vat.filledAt)) / MS_A_DAY;
  if (days < 0) return {};
  return {
    'vat old': sign(days > resin.vatLifeDays, say`${quantity(days, 'days', 0)} in the vat; it keeps ${quantity(resin.vatLifeDays, 'days', 0)}.`), // prettier-ignore
  };
}

/** Steps of a kind that were short, or left out; or long. */
function cleanSigns(context: PourContext): Record<string, Sign> {
  const signs: Record<string, Sign> = {};
  const run = cleaningOf(context);
  const look = (kind: CleanKind, wrong: 'short' | 'long', name: string): void => {
    const steps = run.filter(({ step, record }) => step.kind === kind && record !== undefined);
    if (steps.length === 0) return;
    const off = steps.find(({ step, record }) => {
      if (record?.skipped) return wrong === 'short';
      const minutes = minutesOf(record);
      return minutes !== undefined && judgeStepTime(step, minutes) === wrong;
    });
    signs[name] = off
      ? sign(true, off.record?.skipped ? say`${off.step.name} was left out.` : say`${off.step.name} took ${quantity(minutesOf(off.record)!, 'min', 0)}, ${off.step.minMinutes} to ${off.step.maxMinutes} wanted.`)
      : sign(false, say`${[...new Set(steps.map(({ step }) => step.name))].join(', ')}: within their times.`); // prettier-ignore
  };
  look('wash', 'short', 'washed short');
  look('cure', 'short', 'cured short');
  look('cure', 'long', 'cured long');
  look('dry', 'short', 'dried short');
  const at = (kind: CleanKind): number => run.findIndex(({ step, record }) => step.kind === kind && isOver(record)); // prettier-ignore
  if (at('cure') >= 0 && at('supports') >= 0) {
    const first = at('cure') < at('supports');
    signs['cured first'] = sign(first, first ? say`It was cured before the supports came off.` : say`Supports came off before it was cured.`); // prettier-ignore
  }
  return signs;
}

/** How the supports were, and how warm the vat was. */
function printSigns({ doc, resin }: PourContext): Record<string, Sign> {
  const { supports, vatC } = doc.print;
  const warm = readingValue(vatC);
  return {
    ...(supports?.weight
      ? { 'heavy tips': sign(supports.weight === 'heavy', say`Supports were ${supports.weight}.`) }
      : {}),
    ...(warm !== undefined && resin
      ? { 'resin cold': sign(warm < resin.printFromC, say`The vat was at ${quantity(warm, 'degC')}; it prints from ${quantity(resin.printFromC, 'degC')}.`) } // prettier-ignore
      : {}),
  };
}

/** What of the checklist was done, once any of it was ticked. */
function beforeSigns({ doc, resin, printer }: PourContext): Record<string, Sign> {
  const { before } = doc.print;
  if (!before || !resin || !printer || Object.keys(before).length === 0) return {};
  return {
    ...(printer.needsLevelling
      ? { 'not levelled': sign(!before.level, before.level ? say`The plate was levelled.` : say`Levelling was not ticked; this printer needs it.`) } // prettier-ignore
      : {}),
    ...(resin.primingCoats > 0
      ? { 'not primed': sign(!before.prime, before.prime ? say`The plate was primed.` : say`Priming was not ticked; this resin wants ${resin.primingCoats} coats.`) } // prettier-ignore
      : {}),
  };
}

/** What hung there against what held before, once the layers were cut. */
function loadSign(context: PourContext): Record<string, Sign> {
  const judged = valueOf(planLoad(context));
  return judged ? { 'load high': sign(judged.weight !== 'ok', judged.why) } : {};
}

/** Uncured from the end of the print to the start of the cure. */
function storedSign(context: PourContext): Record<string, Sign> {
  const { doc, resin } = context;
  const startedAt = cleaningOf(context).find(({ step }) => step.kind === 'cure')?.record?.startedAt;
  const { finishedAt } = doc.print;
  if (!resin || !startedAt || !finishedAt || resin.uncuredLifeDays === null) return {};
  const days = (Date.parse(startedAt) - Date.parse(finishedAt)) / MS_A_DAY;
  return {
    'uncured long': sign(days > resin.uncuredLifeDays, say`Uncured for ${quantity(days, 'days', 1)}; it keeps ${quantity(resin.uncuredLifeDays, 'days', 0)}.`), // prettier-ignore
  };
}

/** The height at which flaws stand on every piece that has one; undefined when they differ, or are fewer than two. */
export function sameHeight({ doc }: Pick<PourContext, 'doc'>): number | undefined {
  const heights = Object.values(doc.print.pieces).flatMap(({ heightMm }) =>
    heightMm === undefined ? [] : [heightMm],
  );
  if (heights.length < 2) return undefined;
  const [low, high] = [Math.min(...heights), Math.max(...heights)];
  return high - low <= SAME_HEIGHT_MM ? (low + high) / 2 : undefined;
}

function heightSigns(context: PourContext): Record<string, Sign> {
  const heights = Object.values(context.doc.print.pieces).filter(
    (piece) => piece.heightMm !== undefined,
  ).length;
  if (heights < 2) return {};
  const at = sameHeight(context);
  const pauses = context.doc.print.pausesMm;
  const near = at === undefined ? undefined : pauses?.find((pause) => Math.abs(pause - at) <= SAME_HEIGHT_MM);
  return {
    'same height on all': sign(
      at !== undefined,
      at === undefined ? say`The flaws stand at different heights.` : say`All flaws stand ${quantity(at, 'mm', 1)} from the plate.`,
    ),
    ...(pauses && at !== undefined
      ? { paused: sign(near !== undefined, near === undefined ? say`No pause is noted at that height.` : say`A pause is noted at ${quantity(near, 'mm', 1)}.`) }
      : {}),
  }; // prettier-ignore
}

function cutSigns(context: PourContext): Record<string, Sign> {
  const cut = cutOfPlate(context);
  if (!cut) return {};
  const share = cut.areaMm2 > 0 ? cut.overhangMm2 / cut.areaMm2 : 0;
  return {
    islands: sign(cut.islands > 0, say`${cut.islands} ${cut.islands === 1 ? 'place begins' : 'places begin'} in mid-air.`),
    cups: sign(cut.cups > 0, say`${cut.cups} suction ${cut.cups === 1 ? 'cup' : 'cups'}.`),
    'overhang much': sign(
      share > MUCH_OVERHANG,
      say`Overhang is ${quantity(100 * share, 'percent', 0)} of the surface.`,
    ),
  }; // prettier-ignore
}

/** Every sign that this pour's own record gives; what is not recorded is missing, never guessed. */
export const printEvidence = (context: PourContext): Evidence => ({
  ...exposureSigns(context),
  ...vatSign(context),
  ...printSigns(context),
  ...beforeSigns(context),
  ...loadSign(context),
  ...cleanSigns(context),
  ...storedSign(context),
  ...heightSigns(context),
  ...cutSigns(context),
});
