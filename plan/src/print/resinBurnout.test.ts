import { describe, expect, it } from 'vitest';
import { hoursAbove, programmeCurve } from '@zero-pour/core';
import { planShop } from '../testing/planShop';
import { burnoutFor, burnoutWith } from './resinBurnout';

const { lists } = planShop();
const [resin, kiln] = [lists.resin[0]!, lists.kiln[0]!];
const [programme] = lists.programme;
const hot = hoursAbove(programmeCurve(programme!.segments, 520, kiln), 650);
const gentle = { ...resin, cleanOutH: 0.5, rampMaxCPerH: 9999, fastAllowed: true };

describe('a programme with a resin', () => {
  it('is held longer by just the hours that the resin lacks', () => {
    const enough = burnoutWith({ ...gentle, cleanOutH: hot }, programme!, kiln);
    expect(enough).toMatchObject({ addedH: 0, suits: true });
    const more = burnoutWith({ ...gentle, cleanOutH: hot + 1.5 }, programme!, kiln);
    expect(more.addedH).toBeCloseTo(1.5, 9);
    expect(more.hours - enough.hours).toBeCloseTo(1.5, 9);
    expect(more.suits).toBe(false);
  });
  it('does not suit one that it heats too steeply while it swells', () => {
    expect(burnoutWith({ ...gentle, rampMaxCPerH: 5, fastAllowed: false }, programme!, kiln).suits).toBe(
      false,
    );
  });
});

describe('the programme for a resin', () => {
  it('is the shortest that suits it, whatever is shorter', () => {
    const all = lists.programme.map((p) => burnoutWith(gentle, p, kiln));
    const found = burnoutFor(gentle, lists.programme, kiln)!;
    expect(found.hours).toBe(Math.min(...all.filter(({ suits }) => suits).map(({ hours }) => hours)));
    const picky = { ...resin, rampMaxCPerH: 70, cleanOutH: 1 };
    const chosen = burnoutFor(picky, lists.programme, kiln)!;
    const fitting = lists.programme.map((p) => burnoutWith(picky, p, kiln)).filter(({ suits }) => suits);
    expect(chosen.suits).toBe(fitting.length > 0);
  });
  it('is none without programmes, and one with the hours added where none suits', () => {
    expect(burnoutFor(resin, [], kiln)).toBeUndefined();
    expect(burnoutFor({ ...gentle, cleanOutH: 40 }, lists.programme, kiln)).toMatchObject({ suits: false });
  });
});
