import type { Mold } from '@zero-pour/contracts';
import { castsWax, say, USUAL_LIFE, type Judgement, type Phrase } from '@zero-pour/core';
import type { PourContext } from '../context';
import { judgeUntimed, stepsAhead, untimed, waxesToInject } from './moldWork';
import { kindsOfRoute, waxesOf } from './waxes';

type Of = Pick<PourContext, 'doc' | 'mold' | 'parts'>;

/** How many good waxes the pour wants of its mold. */
export const waxesWanted = ({ mold, parts }: Of): number =>
  parts
    .filter(({ pattern }) => mold && pattern.id === mold.mold.patternId)
    .reduce((sum, { count }) => sum + count, 0);

/** … and how many of them are there: good ones of shots that were made for it. */
export const waxesHere = ({ mold, pourId }: Pick<PourContext, 'mold' | 'pourId'>): number =>
  mold && pourId !== undefined
    ? waxesOf({ shots: mold.mold.shots.filter((shot) => shot.pourId === pourId) }).good
    : 0;

export const waxesLeft = (context: Of & Pick<PourContext, 'pourId'>): number =>
  Math.max(0, waxesWanted(context) - waxesHere(context));

const judged = (weight: Judgement['weight'], lead: string, why: Phrase): Judgement => ({
  rule: 'mold',
  weight,
  lead,
  why,
});

/** Whether a mold serves this pour: its pattern, its state, what it still gives, and how many waxes it takes. */
export function judgeMoldOfPour(context: PourContext): Judgement[] {
  if (!castsWax(context.doc.brief.route)) return [];
  if (context.mold)
    return [
      ...judgeKind(context, context.mold.mold),
      ...judgeState(context, context.mold.mold),
      ...judgeWaxes(context, context.mold.mold),
    ];
  if (context.doc.brief.moldId === undefined)
    return [
      judged(
        'watch',
        'No mold chosen.',
        say`Its waxes come from a mold: choose it, or plan one and make it first.`,
      ),
    ];
  return context.moldsRead
    ? [judged('fix', 'Its mold is gone.', say`The mold that was chosen was taken out: choose another.`)]
    : [judged('watch', 'Its mold is not read yet.', say`Until it is, nothing is said of its waxes.`)];
}

/** Of the route's kind, and of the pour's patterns. */
function judgeKind({ doc, parts }: PourContext, mold: Mold): Judgement[] {
  const out: Judgement[] = [];
  if (!kindsOfRoute(doc.brief.route).includes(mold.kind))
    out.push(
      judged(
        'fix',
        'Another kind of mold.',
        say`${mold.name} is of ${mold.kind}; the route says: ${doc.brief.route}.`,
      ),
    );
  const part = parts.find(({ pattern }) => pattern.id === mold.patternId);
  if (!part)
    return [
      ...out,
      judged('fix', 'A mold of another pattern.', say`${mold.name} does not give any pattern of this pour.`),
    ];
  const others = parts.filter(({ pattern }) => pattern.id !== mold.patternId).length;
  if (others > 0)
    out.push(
      judged(
        'watch',
        others === 1 ? 'One pattern has no mold here.' : `${others} patterns have no mold here.`,
        say`${mold.name} gives ${part.pattern.name} only: what is said of waxes is said of that one.`,
      ),
    );
  return out;
}

/** Made, being made, or worn; and whether it is there before its waxes are to be injected. */
function judgeState({ mold: things, doc }: PourContext, mold: Mold): Judgement[] {
  if (mold.state === 'worn' || mold.state === 'retired')
    return [
      judged(
        'fix',
        `The mold is ${mold.state}.`,
        say`Make another, or look at its newest waxes before you trust it.`,
      ),
    ];
  if (mold.state === 'good') return [];
  const ahead = stepsAhead(mold, things!);
  const { zeroAt } = mold;
  const late = zeroAt !== undefined && doc.brief.zeroAt !== undefined && zeroAt >= doc.brief.zeroAt;
  return [
    late
      ? judged(
          'fix',
          'The mold comes after the pour.',
          say`${mold.name} is to be closed after the wanted pour time: move one of them.`,
        )
      : judged(
          'watch',
          'The mold is not made yet.',
          ahead.length === 0
            ? say`Its steps are done, but no good wax is on record: take its first waxes.`
            : say`It is ${mold.state}: its making comes before these waxes.`,
        ),
    ...(zeroAt === undefined ? judgeUntimed(untimed(ahead)) : []),
  ];
}

/** What it still gives, and how many waxes it takes. */
function judgeWaxes(context: PourContext, mold: Mold): Judgement[] {
  const wanted = waxesWanted(context);
  if (wanted === 0) return [];
  const out: Judgement[] = [];
  const { waxes, good } = waxesOf(mold);
  const [here, left] = [waxesHere(context), waxesLeft(context)];
  if (USUAL_LIFE[mold.kind] - waxes < left)
    out.push(
      judged(
        'watch',
        'It may be worn before that.',
        say`${String(waxes)} waxes so far; such a mold gives about ${String(USUAL_LIFE[mold.kind])} (shop default).`,
      ),
    );
  const hereWords = here > 0 ? `${here} of ${wanted} good waxes are here. ` : '';
  if (left === 0)
    out.push(judged('ok', 'Its waxes are here.', say`${String(here)} good ones for ${String(wanted)}.`));
  else if (waxes === 0)
    out.push(judged('watch', 'No wax of it on record.', say`How many it takes, nobody can say yet.`));
  else if (good === 0)
    out.push(
      judged(
        'fix',
        'No good wax yet.',
        say`None of ${String(waxes)} was good: mend that before you count on it.`,
      ),
    );
  else
    out.push(
      judged(
        'ok',
        `Inject ${String(waxesToInject(mold, left))} for ${String(left)}.`,
        say`${hereWords}So many give enough good ones nine times in ten, by ${String(good)} good of ${String(waxes)}.`,
      ),
    );
  return out;
}
