import {
  judgeStepTime,
  quantity,
  say,
  type CleanKind,
  type Evidence,
  type Sign,
  sign,
} from '@zero-pour/core';
import type { PourContext } from '../context';
import { cleaningOf, isOver, minutesOf } from './cleaning';

const MS_A_DAY = 86_400_000;

/** Steps of a kind that were short, or left out; or long. */
function stepSigns(context: PourContext): Record<string, Sign> {
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

/** How it was washed, dried and cured, and how long it lay before. */
export const cleanSigns = (context: PourContext): Evidence => ({
  ...stepSigns(context),
  ...storedSign(context),
});
