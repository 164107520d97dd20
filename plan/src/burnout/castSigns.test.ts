import type { KilnCurve, PourDoc } from '@zero-pour/contracts';
import { formatPhrase, METRIC, temperatureAt } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { allPieces, planPour, valueOf } from '../index';
import { investCastSigns } from '../invest/castSigns';
import { burnoutCastSigns } from './castSigns';
import { fullDoc, id, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const POUR = id(77);
const IN = Date.parse('2026-11-25T15:00:00.000Z');
const planned = valueOf(planPour({ doc: fullDoc(ZERO) }, planShop()).burnout)!.curve;

/** The log of a kiln that did as planned, or so. */
function logOf(
  kiln: (h: number, tempC: number) => number = (_, t) => t,
  hours = planned.totalH,
  hasSet = true,
): KilnCurve {
  const rows = Array.from({ length: Math.floor(hours * 30) + 1 }, (_, n) => n / 30);
  const set = rows.map((h) => temperatureAt(planned, h));
  return {
    run: {
      ...{ id: id(90), kilnId: id(91), pourId: POUR, source: 'file', name: 'night.csv' },
      ...{ going: false, sent: null, missing: 0, startedAt: new Date(IN).toISOString() },
      ...{ lastS: rows.at(-1)! * 3600, rows: rows.length },
    },
    everyS: 120,
    atS: rows.map((h) => h * 3600),
    tempC: rows.map((h, n) => kiln(h, set[n]!)),
    setC: hasSet ? set : rows.map(() => null),
  };
}
function signsOf(log?: KilnCurve, change: (doc: PourDoc) => void = () => {}): Record<string, string> {
  const doc = fullDoc(ZERO, (made) => {
    made.burnout.startedAt = new Date(IN).toISOString();
    change(made);
  });
  const shop = { ...planShop(), ...(log ? { kilnRuns: [log] } : {}) };
  const plan = planPour({ id: POUR, doc }, shop);
  const found = { ...investCastSigns(plan), ...burnoutCastSigns(plan, allPieces(plan.context)) };
  return Object.fromEntries(Object.entries(found).map(([name, one]) => [name, one!.state]));
}

describe('what mix and kiln say of a casting', () => {
  it('is nothing where nothing was measured: a plan is no sign', () => {
    expect(signsOf()).toEqual({});
  });
  it('tells by the log how steeply it climbed, and whether the kiln held', () => {
    expect(signsOf(logOf())).toMatchObject({ 'swell too fast': 'good', 'kiln fell': 'good' });
    const steep = logOf((_, t) => (t > 160 && t < 390 ? Math.min(390, 160 + (t - 160) * 3) : t));
    expect(signsOf(steep)['swell too fast']).toBe('bad');
    const cut = logOf((h, t) => (h > 8 && h < 8.7 ? t - 600 * (h - 8) : t));
    expect(signsOf(cut)['kiln fell']).toBe('bad');
  });
  it('says nothing of what a part of a log, or one without set points, does not show', () => {
    expect(signsOf(logOf(undefined, 3))).not.toHaveProperty('kiln fell');
    expect(signsOf(logOf(undefined, 1))).not.toHaveProperty('swell too fast');
    expect(signsOf(logOf(undefined, planned.totalH, false))).not.toHaveProperty('kiln fell');
  });
  it('has the weights and the gloss of the mix, and no gloss by water that was not read', () => {
    const at = (min: number): string => new Date(IN - 20 * 3.6e6 + min * 60_000).toISOString();
    const seen = (doc: PourDoc) => {
      doc.invest.weighedPowderG = 1000;
      doc.invest.weighedWaterG = 480;
      doc.invest.powderInAt = at(0);
      doc.invest.glossOffAt = at(11);
      doc.invest.waterTempC = undefined;
    };
    expect(signsOf(undefined, seen)).toEqual({ 'water ÷ powder off': 'bad', 'ordinary powder': 'good' });
    const read = (doc: PourDoc) => {
      seen(doc);
      doc.invest.waterTempC = { state: 'measured', value: 22 };
    };
    expect(signsOf(undefined, read)).toMatchObject({ 'gloss-off out of its time': 'good' });
  });
  it('says each with its number', () => {
    const doc = fullDoc(ZERO, (made) => void (made.burnout.startedAt = new Date(IN).toISOString()));
    const plan = planPour({ id: POUR, doc }, { ...planShop(), kilnRuns: [logOf()] });
    const found = burnoutCastSigns(plan, allPieces(plan.context));
    expect(formatPhrase(found['swell too fast']!.says, METRIC)).toMatch(/^\d+ °C\/h at the steepest from 150 °C to 400 °C; \d+ °C\/h is the limit\.$/); // prettier-ignore
  });
});
