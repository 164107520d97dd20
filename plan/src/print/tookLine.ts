import { judgeTook, quantity, say, type Judgement } from '@zero-pour/core';
import type { PourContext } from '../context';
import { reckonedS, tookS } from './knowPrints';

/** What to ask of a print whose hours cannot be, or are far from what was reckoned; undefined where there is nothing. */
export interface OddHours {
  judgement: Judgement;
  /** Somebody can say that they are right after all. */
  mayBeRight: boolean;
}

export function oddHours({ doc: { print }, printer }: PourContext): OddHours | undefined {
  const { startedAt, plate, hoursRight, hoursTyped } = print;
  if (!startedAt || !plate || hoursTyped !== undefined) return undefined;
  const seconds = tookS({ startedAt, print });
  if (seconds === undefined) return undefined;
  const reckoned = reckonedS(plate, printer);
  const worth = judgeTook(seconds, plate.exposureS, reckoned);
  const h = (s: number) => quantity(s / 3600, 'h');
  if (worth === 'usual' || (worth === 'odd' && hoursRight)) return undefined;
  const impossible = worth === 'shorter than its light';
  return {
    mayBeRight: !impossible,
    judgement: {
      rule: 'odd hours',
      weight: impossible ? 'fix' : 'watch',
      lead: impossible ? 'It cannot have been so short.' : 'Is that how long it took?',
      why: impossible
        ? say`Started to finished is ${h(seconds)}, and its light alone takes ${h(plate.exposureS)}. Nothing is learnt from it until one of the two times is put right.`
        : say`Started to finished is ${h(seconds)}; ${h(reckoned)} was reckoned. Nothing is learnt from it until you say that it is right.`,
    },
  };
}
