import type { OpeningTold, PourDoc } from '@zero-pour/contracts';
import { formatPhrase, METRIC } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import {
  finishingTotals,
  learnOpening,
  nextStep,
  planOpening,
  planPour,
  solidAfter,
  valueOf,
} from '../index';
import { flaskOf, fullDoc, id, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const planOf = (change: (doc: PourDoc) => void = () => {}) =>
  planPour({ id: id(77), doc: fullDoc(ZERO, change) }, planShop());
const measured = (value: number) => ({ state: 'measured' as const, value });

describe('flask and metal', () => {
  const temperaturesOf = (pour: Partial<PourDoc['flasks'][number]['pour']>) =>
    valueOf(planOf((doc) => Object.assign(flaskOf(doc).pour, pour)).flasks[0]!.temperatures)!;
  const rules = (of: ReturnType<typeof temperaturesOf>) => of.judgements.map(({ rule, weight }) => `${rule}: ${weight}`); // prettier-ignore

  it('are set off on purpose with what for: the kiln gets it, the range judges what the metal is to meet', () => {
    const plain = temperaturesOf({});
    const walk = temperaturesOf({ flaskOffsetC: 20, flaskOffsetFor: 'the walk across the yard' });
    expect(walk.flaskC).toBe(plain.flaskC + 20);
    expect(walk.wantedFlaskC).toBe(plain.flaskC);
    expect(walk.flaskFigure.note).toBe('+20 °C on purpose: the walk across the yard.');
    expect(rules(walk)).toEqual(['flask ok: ok', 'flask offset: ok', 'metal ok: ok']);
    expect(formatPhrase(walk.judgements[1]!.why, METRIC)).toContain('for the walk across the yard');
  });

  it('are never called right for an intent that nobody named, or that is far too much', () => {
    expect(rules(temperaturesOf({ flaskOffsetC: 20 }))).toContain('flask offset: watch');
    expect(rules(temperaturesOf({ flaskOffsetC: 100, flaskOffsetFor: 'the walk' }))).toContain('flask offset: watch'); // prettier-ignore
    // What was read is judged as it was read, whatever was meant.
    expect(rules(temperaturesOf({ flaskOffsetC: 20, flaskOffsetFor: 'the walk', flaskRead: measured(640) }))).toContain('flask hot: watch'); // prettier-ignore
  });
});

describe('the button', () => {
  it('is reckoned by what was read, and says so; later in a hotter flask', () => {
    const planned = solidAfter(planOf(), 0)!;
    expect(planned.read).toBe(false);
    const read = solidAfter(planOf((doc) => Object.assign(flaskOf(doc).pour, { flaskRead: measured(700), metalRead: measured(1000) })), 0)!; // prettier-ignore
    expect(read.read).toBe(true);
    expect(read.min).toBeGreaterThan(planned.min);
    expect(
      solidAfter(
        planOf((doc) => void (doc.brief.alloyId = undefined)),
        0,
      ),
    ).toBeUndefined();
  });
});

describe('opening', () => {
  const told = (hardened: boolean, opened: OpeningTold['opened']): OpeningTold => ({ hardened, opened });

  it('is advised by the mix; ways that are not read are said not to be', () => {
    expect(planOpening(planOf(), 0)).toMatchObject({ tool: 'water and brush', known: false });
    const hard = planOf((doc) => void (doc.invest.boric = { school: 'water', percent: 1 })); // prettier-ignore
    expect(planOpening(hard, 0)!.tool).toBe('jet');
    expect(
      planOpening(
        planOf((doc) => void (doc.brief.alloyId = undefined)),
        0,
      ),
    ).toBeUndefined();
  });

  it('is learnt from flasks of the same kind of mix alone', () => {
    const list = [told(true, { tool: 'jet', minutes: 40 }), told(false, { tool: 'needle', minutes: 5, quench: 'burst' }), told(true, { tool: 'jet', minutes: 20, quench: 'nothing' }), told(true, { tool: 'ultrasonic' })]; // prettier-ignore
    expect(learnOpening(list, true)).toEqual({ of: 3, tool: 'jet', minutes: 40, burst: 0, burstOf: 1 });
    expect(learnOpening([], true)).toEqual({ of: 0, tool: undefined, minutes: undefined, burst: 0, burstOf: 0 }); // prettier-ignore
  });
});

describe('finishing', () => {
  it('adds up what was timed, and knows what it lost only of two weights', () => {
    const steps = [
      { key: 's1', kind: 'file' as const, minutes: 10 },
      { key: 's2', kind: 'polish' as const, minutes: 5, weightG: measured(4.5) },
      { key: 's3', kind: 'set stones' as const },
    ];
    expect(finishingTotals(steps, 5)).toEqual({ minutes: 15, lostG: 0.5, weightG: 4.5 });
    expect(finishingTotals(steps, undefined).lostG).toBeUndefined();
    expect(finishingTotals([], 5)).toEqual({ minutes: undefined, lostG: undefined, weightG: undefined });
    // Stones and solder make it heavier: that is no loss below nothing, and is shown as it is.
    expect(finishingTotals([{ key: 's1', kind: 'set stones', weightG: measured(6) }], 5).lostG).toBe(-1);
  });

  it('gives each step a key of its own, also after one was taken away', () => {
    const [first, second] = [nextStep([], 'file', 'now'), nextStep([{ key: 's2', kind: 'file' }], 'polish', 'now')]; // prettier-ignore
    expect([first.key, second.key]).toEqual(['s1', 's3']);
  });
});
