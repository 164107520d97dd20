import type { TuningAnswer } from '@zero-pour/jobs';
import {
  GOOD_SHARE,
  quantity,
  say,
  type CouponOutcome,
  type CountRange,
  type Judgement,
  type Phrase,
  type VerdictKind,
} from '@zero-pour/core';
import type { TuningOf } from '@zero-pour/plan';

/** Exposures are told to the step that printers are set by. */
export const seconds = (s: number): string => String(Math.round(s * 100) / 100);
const percent = (share: number): string => `${Math.round(100 * share)} %`;

export const CLASS_NAMES: Record<TuningOf, string> = {
  filigree: 'Filigree',
  standard: 'Standard',
  heavy: 'Heavy',
  base: 'Base layers',
};

/** "22 or more", "5 or fewer", "6 to 9", "all 24", "none", or nothing where any count would do. */
export function rangeWords({ from, to }: CountRange, of: number): string {
  if (from === 0 && to === of) return '';
  if (from === of) return `all ${of}`;
  if (to === 0) return 'none';
  if (to === of) return `${from} or more`;
  if (from === 0) return `${to} or fewer`;
  return from === to ? String(from) : `${from} to ${to}`;
}

const secondsRange = ([from, to]: [number, number]): string =>
  from === to ? `${seconds(from)} s` : `${seconds(from)} to ${seconds(to)} s`;

const MEANING: Record<VerdictKind, (outcome: CouponOutcome, of: TuningOf) => string> = {
  prints: (o) => `this is settled: print at ${secondsRange(o.exposureS)}.`,
  'not this resin': (_, of) =>
    of === 'base'
      ? 'no base exposure both holds and comes free.'
      : 'this resin does not do this class at this layer height.',
  'as good as it gets': (o) => `${secondsRange(o.exposureS)} is as good as it gets.`,
  'next coupon': () => 'another coupon is needed.',
  'not settled': () => 'coupons do not settle it.',
};

/** "If 22 or more struts stand and 20 or more slots stay open, this is settled: print at 3.7 s." */
export function outcomeSentence(
  outcome: CouponOutcome,
  of: TuningOf,
  counts: { struts: number; slots: number },
): string {
  const meaning = MEANING[outcome.kind](outcome, of);
  if (of === 'base') {
    const holds = outcome.struts.from > 0;
    const free = outcome.slots.from > 0;
    const only = outcome.struts.from === 0 && outcome.struts.to === 1;
    const base = only
      ? free
        ? 'it stays flat'
        : 'it curls'
      : holds
        ? free
          ? 'it holds and stays flat'
          : 'it holds'
        : 'it falls off';
    return `If ${base}, ${meaning}`;
  }
  const struts = rangeWords(outcome.struts, counts.struts);
  const slots = rangeWords(outcome.slots, counts.slots);
  const parts = [struts && `${struts} struts stand`, slots && `${slots} slots stay open`].filter(Boolean);
  return parts.length > 0 ? `If ${parts.join(' and ')}, ${meaning}` : `Whatever comes out, ${meaning}`;
}

/** The verdict as a judgement, with the numbers it stands on and the ways out (handbook 02). */
export function verdictJudgement(
  answer: TuningAnswer,
  of: TuningOf,
  featureMm: number,
  layerMm: number,
): Judgement | undefined {
  const { verdict, recommended } = answer;
  const at = `${seconds(recommended.exposureS)} s`;
  const chance = percent(Math.min(verdict.chanceHere, 0.99));
  const rule = 'verdict';
  if (of === 'base') return baseJudgement(answer, at, chance);
  const shares: Phrase = say`At ${at}, ${percent(recommended.expectedStrut)} of struts and ${percent(recommended.expectedSlot)} of slots.`;
  const waysOut = say` Ways out: thicker layers (${quantity(layerMm, 'mm', 3)} now), a warmer vat, features above ${quantity(featureMm, 'mm', 2)}, another resin.`;
  switch (verdict.kind) {
    case 'prints':
      return {
        rule,
        weight: 'ok',
        lead: `Prints at ${at}.`,
        why: [...shares, ` ${chance} sure that at least ${percent(GOOD_SHARE)} of a coupon comes out.`],
      };
    case 'not this resin':
      return {
        rule,
        weight: 'stop',
        lead: `Not for ${of}.`,
        why: [
          ...say`No exposure does it: ${percent(Math.min(0.99, 1 - verdict.chanceAnywhere))} sure. `,
          ...shares,
          ...waysOut,
        ],
      };
    case 'as good as it gets':
      return {
        rule,
        weight: 'watch',
        lead: 'As good as it gets.',
        why: [...shares, ' Another coupon would hardly help.', ...waysOut],
      };
    case 'not settled':
      return { rule, weight: 'watch', lead: 'Eight coupons do not settle it.', why: [...shares, ...waysOut] };
    case 'next coupon':
      return undefined;
  }
}

function baseJudgement({ verdict }: TuningAnswer, at: string, chance: string): Judgement | undefined {
  const rule = 'verdict';
  switch (verdict.kind) {
    case 'prints':
      return { rule, weight: 'ok', lead: `Base: ${at}.`, why: say`It holds and comes free: ${chance} sure.` };
    case 'not this resin':
      return {
        rule,
        weight: 'fix',
        lead: 'No base exposure suits.',
        why: say`What holds curls. Prime the plate, level it, change the raft, warm the vat.`,
      };
    case 'as good as it gets':
      return {
        rule,
        weight: 'watch',
        lead: `Base: ${at}, borderline.`,
        why: say`It holds and stays flat about ${chance} of the time.`,
      };
    default:
      return undefined;
  }
}
