import type { PourDoc } from '@zero-pour/contracts';
import { formatPhrase, METRIC } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { resolvePour, type PourContext } from '../context';
import { explainPrint, printEvidence, sameHeight } from '../index';
import { fullDoc, id, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const contextOf = (change: (doc: PourDoc) => void = () => {}, shop = planShop()): PourContext =>
  resolvePour({ doc: fullDoc(ZERO, change) }, shop);
const said = (context: PourContext, name: string): string | undefined => {
  const sign = printEvidence(context)[name];
  return sign && `${sign.state}: ${formatPhrase(sign.says, METRIC)}`;
};
const lost = (fault: PourDoc['print']['pieces'][string]['fault'], heightMm?: number) => ({
  outcome: 'lost' as const,
  note: '',
  ...(fault ? { fault } : {}),
  ...(heightMm === undefined ? {} : { heightMm }),
});

describe('evidence of a print', () => {
  it('is what the record says, with the number and its limit; nothing is guessed', () => {
    const evidence = printEvidence(contextOf());
    expect(evidence['vat old']).toBeUndefined();
    expect(evidence['resin cold']).toBeUndefined();
    expect(said(contextOf(), 'profile untested')).toBe('good: The profile was tuned here.');
  });

  it('compares exposure and base with what is reported for this printer and layer', () => {
    const shop = planShop();
    const reported = { key: 'r', from: 'maker' as const, printerId: id(11), wavelengthNm: 405, irradianceMwPerCm2: null, layerMm: 0.05, exposureS: 4, baseExposureS: 27, baseLayers: null, vatC: null }; // prettier-ignore
    const resin = [{ ...shop.lists.resin[0]!, reported: [reported] as never }];
    const context = contextOf(() => {}, { ...shop, lists: { ...shop.lists, resin } });
    expect(said(context, 'exposure low')).toBe('bad: 3.0 s; reported for this printer 4.0 s.');
    expect(said(context, 'exposure high')).toMatch(/^good/);
    expect(said(context, 'base low')).toMatch(/^good/);
  });

  it('looks into vat, wash, cure and how long it lay uncured', () => {
    const shop = planShop();
    const vats = [{ key: 'v', printerId: id(11), filledAt: '2026-10-01T08:00:00.000Z', note: '' }];
    const resin = [{ ...shop.lists.resin[0]!, vats }];
    const context = contextOf((doc) => {
      doc.print.startedAt = '2026-11-20T08:00:00.000Z';
      doc.print.finishedAt = '2026-11-20T12:00:00.000Z';
      doc.clean.steps = {
        bath1: { startedAt: '2026-11-20T12:10:00.000Z', doneAt: '2026-11-20T12:11:00.000Z' },
        bath2: { skipped: true },
        cure: { startedAt: '2026-11-24T08:00:00.000Z', doneAt: '2026-11-24T08:12:00.000Z' },
      };
    }, { ...shop, lists: { ...shop.lists, resin } }); // prettier-ignore
    expect(said(context, 'vat old')).toBe('bad: 50 days in the vat; it keeps 14 days.');
    expect(said(context, 'washed short')).toBe('bad: Alcohol bath 1 took 1 min, 3 to 4 wanted.');
    expect(said(context, 'cured short')).toMatch(/^good: Cure: within/);
    expect(said(context, 'uncured long')).toMatch(/^bad: Uncured for 3\.8 days/);
  });

  it('notices the same height on every piece, and a pause there', () => {
    const at = (heights: number[], pausesMm?: number[]) =>
      contextOf((doc) => {
        heights.forEach((h, i) => (doc.print.pieces[String(i + 1)] = lost('ridge', h)));
        if (pausesMm) doc.print.pausesMm = pausesMm;
      });
    expect(sameHeight(at([8.1, 8.3, 8.2]))).toBeCloseTo(8.2, 9);
    expect(sameHeight(at([8.1, 9.3]))).toBeUndefined();
    expect(sameHeight(at([8.1]))).toBeUndefined();
    expect(said(at([8.1, 8.3], [8.2]), 'paused')).toBe('bad: A pause is noted at 8.2 mm.');
    expect(said(at([8.1, 8.3], [3]), 'paused')).toMatch(/^good/);
    expect(said(at([8.1, 8.3]), 'paused')).toBeUndefined();
  });

  it('takes in what the layers say, when they were cut', () => {
    const cut = { islands: 3, cups: 0, overhangMm2: 30, areaMm2: 100 };
    const evidence = printEvidence(contextOf(), cut);
    expect([evidence['islands']!.state, evidence['cups']!.state, evidence['overhang much']!.state]).toEqual(['bad', 'good', 'bad']); // prettier-ignore
  });
});

describe('why a print failed', () => {
  const ridges = (change: (doc: PourDoc) => void = () => {}) =>
    explainPrint(
      contextOf((doc) => {
        doc.print.pieces = {
          1: lost('ridge', 8),
          2: lost('ridge', 8.1),
          3: { outcome: 'good', note: '' },
          4: lost(undefined),
        };
        doc.print.pausesMm = [8];
        change(doc);
      }),
    );

  it('tells each fault once, with its pieces, its likeliest cause and one change', () => {
    const [only, ...rest] = ridges();
    expect(rest).toEqual([]);
    expect(only!.pieces).toEqual(['1', '2']);
    expect(only!.ranked[0]!.key).toBe('pause');
    expect(only!.ranked[0]!.chance).toBeGreaterThan(0.85);
    expect(only!.change!.change.key).toBe('no pause');
    expect(only!.ranked.reduce((sum, c) => sum + c.chance, 0)).toBeCloseTo(1, 9);
  });

  it('follows what is confirmed or ruled out at the bench', () => {
    const out = ridges((doc) => void (doc.print.why = { ridge: { ruledOut: ['pause'] } }))[0]!;
    expect(out.ranked.find((c) => c.key === 'pause')!.chance).toBe(0);
    expect(out.ranked[0]!.key).not.toBe('pause');
    const sure = ridges((doc) => void (doc.print.why = { ridge: { ruledOut: [], confirmed: 'pause' } }))[0]!;
    expect(sure.ranked[0]!.chance).toBeGreaterThan(ridges()[0]!.ranked[0]!.chance);
    expect(sure.confirmed).toBe('pause');
  });

  it('has nothing to say of a plate without faults', () => {
    expect(explainPrint(contextOf())).toEqual([]);
  });
});
