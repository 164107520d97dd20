import { HOUR_MS, type KilnEvent } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { planPour, runToSend, unwrittenFalls, valueOf, type Burnt } from '../index';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const FROM = Date.parse('2026-11-25T15:00:00.000Z');
const at = (h: number): string => new Date(FROM + h * HOUR_MS).toISOString();

describe('a programme that is sent', () => {
  it('is the pour’s own, with numbers for every target and holds in seconds', () => {
    const burnout = valueOf(planPour({ doc: fullDoc(ZERO) }, planShop()).burnout)!;
    const run = runToSend(burnout, 'Stepped');
    expect(run.segments).toHaveLength(burnout.segments.length);
    expect(run.segments.at(-1)!.targetC).toBe(burnout.castingC);
    run.segments.forEach(({ holdS, rampCPerH }, n) => {
      expect(holdS).toBe(burnout.segments[n]!.holdH * 3600);
      expect(rampCPerH).toBe(burnout.segments[n]!.rampCPerH);
    });
  });
});

describe('falls that the readings show', () => {
  const fall = (kind: KilnEvent['kind'], fromH: number, toH: number): KilnEvent => ({
    ...{ kind, fromH, toH },
    ...{ fellC: 200, lowestC: 300 },
  });
  const found = (events: KilnEvent[], written: { at: string; until?: string }[] = []) => {
    const doc = fullDoc(ZERO, (change) => {
      change.burnout.events = written.map((one, n) => ({ key: `e${n}`, kind: 'power out', ...one }));
    });
    return unwrittenFalls(doc, { from: FROM, events } as Burnt);
  };
  it('can be written down as they were, until somebody has', () => {
    const cut = fall('power', 8, 8.5);
    expect(found([cut])).toEqual([{ kind: 'power out', at: at(8), until: at(8.5) }]);
    expect(found([fall('heat lost', 3, 3.2)])[0]).toMatchObject({ kind: 'door open' });
    expect(found([cut], [{ at: at(8.1), until: at(8.6) }])).toEqual([]);
    expect(found([cut], [{ at: at(2), until: at(3) }])).toHaveLength(1);
  });
  it('are not asked for twice while the written one lasts', () => {
    expect(found([fall('power', 8, 8.5)], [{ at: at(7.9) }])).toEqual([]);
  });
});
