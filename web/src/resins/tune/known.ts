import type { TuningAnswer } from '@zero-pour/jobs';
import {
  findContradictions,
  weighedCount,
  type CouponSpread,
  type Judgement,
  type MeasuredWidth,
} from '@zero-pour/core';
import type { GatheredTrials, TuningOf } from '@zero-pour/plan';
import { seconds } from './words';

const tenth = (s: number): string => seconds(Math.round(s * 10) / 10);
const range = (a: number, b: number): string => `${tenth(a)} – ${tenth(b)} s`;
const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** Features of one coupon fail together more than single ones would: how few their count is worth, and how that is known. */
function weighsAs(struts: number, { rho, coupons }: CouponSpread): string {
  const single = Math.round(weighedCount({ good: 0, of: struts }, rho).of);
  return `${single}, ${coupons > 0 ? `by the scatter of your ${coupons} coupons` : 'as usual; your coupons will tell'}`;
}

/** What is known so far, as names and numbers. */
export function knownRows(
  { recommended: r }: TuningAnswer,
  of: TuningOf,
  struts: number,
  spread: CouponSpread,
): [string, string][] {
  const [holds, opens] =
    of === 'base' ? ['It holds from', 'It comes free up to'] : ['Struts hold from', 'Slots stay open to'];
  const rows: [string, string][] = [
    ['Best guess', `${seconds(r.exposureS)} s`],
    [holds!, range(r.lowerEdge.q05S, r.lowerEdge.q95S)],
    [opens!, range(r.upperEdge.q05S, r.upperEdge.q95S)],
  ];
  if (of === 'base') return [...rows, ['Holds and comes free', percent(r.product)]];
  return [
    ...rows,
    ['Struts × slots that come out', percent(r.product)],
    [`All ${struts} struts of a coupon stand`, percent(r.allStrutsStand)],
    [`A coupon’s ${struts} struts weigh as`, weighsAs(struts, spread)],
  ];
}

/** Trials that changed more than one thing: what they show cannot be put down to either. */
export function changedMoreJudgements(gathered: GatheredTrials): Judgement[] {
  return gathered.used.flatMap(({ trial, number }) => {
    const names = gathered.changedMore.get(trial.id);
    if (!names || number === 0) return [];
    return [
      {
        rule: `changed ${trial.id}`,
        weight: 'watch' as const,
        lead: `Trial ${number} changed ${names.length === 2 ? 'two' : names.length} things`,
        why: [`(${names.join(' and ')}). What it shows is not put down to either.`],
      },
    ];
  });
}

/** More light, and yet fewer stand: no exposure explains both, and no verdict should be read before it is known what changed. */
export function contradictionJudgements({ used }: GatheredTrials, of: TuningOf): Judgement[] {
  if (of === 'base') return [];
  return findContradictions(used).map(({ of: side, less, more }) => {
    const doing = side === 'struts' ? 'stood' : 'stayed open';
    const told = ({ exposureS, [side]: count }: (typeof used)[number]): string =>
      `${Math.round(count.good)} of ${Math.round(count.of)} ${doing} at ${seconds(exposureS)} s`;
    return {
      rule: `contradicts ${side}`,
      weight: 'watch' as const,
      lead: 'These contradict each other.',
      why: [
        `${told(used[less]!)}, ${told(used[more]!)}. More light does not do that: something else changed, warmth, age or shaking of the resin, or the part. Take the one away that is not of these settings.`,
      ],
    };
  });
}

/** One side was never counted: what lies on it is only what is usual, and no verdict should be read without that. */
export function oneSidedJudgements({ used }: GatheredTrials, of: TuningOf): Judgement[] {
  if (of === 'base') return [];
  const counted = (side: 'struts' | 'slots'): number => used.reduce((sum, trial) => sum + trial[side].of, 0);
  const [struts, slots] = [counted('struts'), counted('slots')];
  if (struts + slots === 0 || (struts > 0 && slots > 0)) return [];
  const [missing, end] = struts > 0 ? (['slots', 'too much'] as const) : (['struts', 'too little'] as const);
  return [
    {
      rule: 'one-sided',
      weight: 'watch',
      lead: `No ${missing} counted.`,
      why: [
        `Where ${end} light begins is only what is usual, not what this resin does here. Count the ${missing} of the next coupon too.`,
      ],
    },
  ];
}

/** Widths of struts, pins and walls, with the exposure they were printed at; those of slots and holes go the other way. */
export const solidWidths = (gathered: GatheredTrials): MeasuredWidth[] =>
  gathered.used
    .filter((used) => used.number > 0)
    .flatMap(({ trial }) =>
      trial.widths
        .filter((width) => width.kind !== 'slot' && width.kind !== 'hole')
        .map((width) => ({ ...width, exposureS: trial.exposureS })),
    );
