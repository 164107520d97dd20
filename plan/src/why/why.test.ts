import { pieceKey, type PourDoc, type PouredPrint } from '@zero-pour/contracts';
import { formatPhrase, METRIC, NO_ROTATION, PRINT_FAULTS, startingCounts } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { resolvePour, type PourContext } from '../context';
import {
  countsFrom,
  evidenceOf,
  explainPrint,
  faultsOf,
  knowPrints,
  sameHeight,
  saidOfPrints,
} from '../index';
import { cutReadings, fullDoc, id, LINE, planShop, pouredPrint } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const contextOf = (change: (doc: PourDoc) => void = () => {}, shop = planShop()): PourContext =>
  resolvePour({ doc: fullDoc(ZERO, change) }, shop);
const said = (context: PourContext, name: string): string | undefined => {
  const sign = evidenceOf(context)[name];
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
    const evidence = evidenceOf(contextOf());
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

  it('takes several faults of a piece, and whether every copy has one', () => {
    const of = (...pieces: PourDoc['print']['pieces'][string][]) =>
      contextOf((doc) => {
        doc.brief.lines[0]!.count = 3;
        doc.print.pieces = Object.fromEntries(pieces.map((piece, n) => [pieceKey(LINE, n + 1), piece]));
      });
    const closed = { outcome: 'flawed', note: '', fault: 'pinholes', moreFaults: ['hole closed', 'pinholes'] } as const; // prettier-ignore
    const asPiece = { ...closed, moreFaults: [...closed.moreFaults] };
    expect(faultsOf(asPiece)).toEqual(['pinholes', 'hole closed']);
    const explained = explainPrint(of(asPiece, asPiece));
    expect(explained.map((e) => e.fault.key).sort()).toEqual(['hole closed', 'pinholes']);
    const fileOf = (context: PourContext) =>
      explainPrint(context)
        .find((e) => e.fault.key === 'hole closed')!
        .ranked.find((c) => c.key === 'file')!;
    expect(fileOf(of(asPiece, asPiece)).signs[0]!.z).toBeGreaterThan(0);
    expect(fileOf(of(asPiece, { outcome: 'good', note: '' })).signs[0]!.z).toBeLessThan(0);
    // Of one copy nothing is told: it is not known, and not taken for either.
    expect(fileOf(of(asPiece)).missing).toContain('all copies alike');
  });

  it('counts priming coats before it goes by a tick', () => {
    const shop = planShop();
    const resin = [{ ...shop.lists.resin[0]!, primingCoats: 2 }];
    const at = (coats: number | undefined, ticked: boolean) =>
      said(contextOf((doc) => {
        if (coats !== undefined) doc.print.primingCoats = coats;
        if (ticked) doc.print.before = { prime: '2026-11-20T08:00:00.000Z' };
      }, { ...shop, lists: { ...shop.lists, resin } }), 'not primed'); // prettier-ignore
    expect(at(undefined, false)).toBeUndefined();
    expect(at(undefined, true)).toBe('good: The plate was primed.');
    expect(at(1, true)).toBe('bad: 1 priming coat on the plate, of 2.');
    expect(at(2, false)).toMatch(/^good/);
  });

  it('notices the same height on every piece, and a pause there', () => {
    const at = (heights: number[], pausesMm?: number[]) =>
      contextOf((doc) => {
        heights.forEach((h, i) => (doc.print.pieces[pieceKey(LINE, i + 1)] = lost('ridge', h)));
        if (pausesMm) doc.print.pausesMm = pausesMm;
      });
    expect(sameHeight(at([8.1, 8.3, 8.2]))).toBeCloseTo(8.2, 9);
    expect(sameHeight(at([8.1, 9.3]))).toBeUndefined();
    expect(sameHeight(at([8.1]))).toBeUndefined();
    expect(said(at([8.1, 8.3], [8.2]), 'paused')).toBe('bad: A pause is noted at 8.2 mm.');
    expect(said(at([8.1, 8.3], [3]), 'paused')).toMatch(/^good/);
    expect(said(at([8.1, 8.3]), 'paused')).toBeUndefined();
  });

  const cut = { islands: 3, overhangMm2: 300, peakMm2: 200, firstMm2: 20 };
  const cutContext = (of = cut, rotation = NO_ROTATION) =>
    contextOf(() => {}, { ...planShop(), readings: cutReadings(of, rotation) });

  it('takes in what the layers say, when they were cut as the part stands now', () => {
    const evidence = evidenceOf(cutContext());
    expect([evidence['islands']!.state, evidence['cups']!.state, evidence['overhang much']!.state]).toEqual(['bad', 'good', 'bad']); // prettier-ignore
    expect(evidenceOf(cutContext(cut, { xDeg: 30, yDeg: 0, zDeg: 0 }))['islands']).toBeUndefined();
    expect(evidenceOf(contextOf())['islands']).toBeUndefined();
  });

  it('weighs what hangs there against what held', () => {
    expect(said(cutContext(), 'load high')).toMatch(/^good: The film pulls at 400 mm²/);
    const heavy = cutContext({ ...cut, peakMm2: 5000 });
    expect(said(heavy, 'load high')).toMatch(/^bad: .*A raft, a larger base/);
  });

  it('knows how warm the vat was and how the supports were made and cut', () => {
    const context = contextOf((doc) => {
      doc.print.vatC = { state: 'measured', value: 19 };
      doc.print.supports = { weight: 'heavy' };
      doc.clean.steps = { cure: { doneAt: '2026-11-24T08:12:00.000Z' }, supports: { skipped: true } };
    });
    expect(said(context, 'resin cold')).toMatch(/^bad: The vat was at 19 °C/);
    expect(said(context, 'heavy tips')).toMatch(/^bad/);
    expect(said(context, 'cured first')).toMatch(/^good: Supports came off/);
  });
});

describe('why a print failed', () => {
  const ridges = (change: (doc: PourDoc) => void = () => {}) =>
    explainPrint(
      contextOf((doc) => {
        doc.print.pieces = {
          'l1/1': lost('ridge', 8),
          'l1/2': lost('ridge', 8.1),
          'l1/3': { outcome: 'good', note: '' },
          'l1/4': lost(undefined),
        };
        doc.print.pausesMm = [8];
        change(doc);
      }),
    );

  it('tells each fault once, with its pieces, its likeliest cause and one change', () => {
    const [only, ...rest] = ridges();
    expect(rest).toEqual([]);
    expect(only!.pieces.map(({ name }) => name)).toEqual(['Block 1', 'Block 2']);
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

  it('counts the checklist only once any of it was ticked', () => {
    const shop = planShop();
    const lists = { ...shop.lists, printer: [{ ...shop.lists.printer[0]!, needsLevelling: true }], resin: [{ ...shop.lists.resin[0]!, primingCoats: 2 }] }; // prettier-ignore
    const at = '2026-11-20T07:00:00.000Z';
    const withTicks = (before: PourDoc['print']['before']) =>
      contextOf((doc) => void (before && (doc.print.before = before)), { ...shop, lists });
    expect(said(withTicks(undefined), 'not levelled')).toBeUndefined();
    expect(said(withTicks({}), 'not levelled')).toBeUndefined();
    expect(said(withTicks({ shake: at }), 'not levelled')).toMatch(/^bad: Levelling was not ticked/);
    expect(said(withTicks({ shake: at, prime: at }), 'not primed')).toBe('good: The plate was primed.');
    expect(
      said(
        contextOf((doc) => (doc.print.before = { shake: at })),
        'not levelled',
      ),
    ).toBeUndefined();
  });

  it('says how often each cause was found before', () => {
    const print = pouredPrint({ pourId: id(90), print: { pieces: {}, why: { ridge: { confirmed: 'pause', ruledOut: [] } } } }); // prettier-ignore
    const shop = {
      ...planShop(),
      prints: knowPrints(planShop().lists, [print, { ...print, pourId: id(91) }]),
    };
    const doc = (d: PourDoc): void => void (d.print.pieces = { 'l1/1': lost('ridge', 8) });
    expect(explainPrint(contextOf(doc, shop))[0]!.foundBefore).toEqual({ pause: 2 });
    const own = resolvePour({ id: id(91), doc: fullDoc(ZERO, doc) }, shop);
    expect(explainPrint(own)[0]!.foundBefore).toEqual({ pause: 1 });
  });

  it('begins from what other pours confirmed and ruled out, each once', () => {
    const fault = PRINT_FAULTS.find((f) => f.key === 'ridge')!;
    const other = (pourId: string, why: PouredPrint['print']['why']) =>
      pouredPrint({ pourId, print: { pieces: {}, ...(why ? { why } : {}) } });
    const confirmed = countsFrom(
      fault,
      saidOfPrints('ridge', [other(id(90), { ridge: { confirmed: 'file', ruledOut: [] } })]),
    );
    expect(confirmed['file']).toBeCloseTo(startingCounts(fault)['file']! + 1, 12);
    const ruled = countsFrom(
      fault,
      saidOfPrints('ridge', [other(id(90), { ridge: { ruledOut: ['pause'] } })]),
    );
    expect(ruled['pause']).toBeCloseTo(startingCounts(fault)['pause']!, 12);
    expect(ruled['jump']).toBeGreaterThan(startingCounts(fault)['jump']!);
    // The evidence of that print travels with its answer.
    const told = countsFrom(
      fault,
      saidOfPrints('ridge', [
        other(id(90), { ridge: { ruledOut: ['pause'], chances: { pause: 0.5, file: 0.5 } } }),
      ]),
    );
    expect(told['file']).toBeCloseTo(startingCounts(fault)['file']! + 1, 12);
    expect(told['jump']).toBeCloseTo(startingCounts(fault)['jump']!, 12);
    const own = [other(id(91), { ridge: { confirmed: 'file', ruledOut: [] } })];
    expect(countsFrom(fault, saidOfPrints('ridge', own, id(91)))).toEqual(startingCounts(fault));
  });

  it('has nothing to say of a plate without faults', () => {
    expect(explainPrint(contextOf())).toEqual([]);
  });
});
