import type { PouredPrint, PrintedPlate } from '@zero-pour/contracts';
import { formatPhrase, METRIC, printTime } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import {
  boardRows,
  bottleOrLeave,
  givensOf,
  knowPrints,
  motionOf,
  planPour,
  plateNow,
  supportsOf,
  valueOf,
  washedSince,
} from '../index';
import type { Shop } from '../context';
import { cutReadings, fullDoc, id, planShop, pouredPrint } from '../testing/planShop';
import { resolvePour } from '../context';
import { partWayH } from './printMoments';

const ZERO = new Date(2026, 10, 26, 9, 15);
const shop = planShop();
const printer = shop.lists.printer[0]!;
const profile = shop.lists.profile[0]!;
const resin = shop.lists.resin[0]!;
const PLATE: PrintedPlate = { printerId: printer.id, profileId: profile.id, layers: 400, exposureS: 1400, partsMl: 20, raftMl: 1.5 }; // prettier-ignore

/** A print that took its light and so many seconds of motion a layer. */
const tookS = (
  motionS: number,
  change: Partial<PouredPrint['print']> = {},
  layers = PLATE.layers,
): PouredPrint => {
  const seconds = PLATE.exposureS + layers * motionS;
  const finishedAt = new Date(Date.parse('2026-11-01T08:00:00.000Z') + seconds * 1000).toISOString();
  return pouredPrint({ print: { pieces: {}, plate: { ...PLATE, layers }, finishedAt, ...change } });
};
const known = (...prints: PouredPrint[]) => knowPrints(shop.lists, prints);

describe('what prints teach', () => {
  it('is nothing without prints: the records of printer and resin stand', () => {
    expect(motionOf(known(), printer, profile)).toEqual({ value: 6, source: 'printer Printer A' });
    expect(supportsOf(known(), resin)).toEqual({ value: 30, source: 'resin record Skerry Low-Ash' });
  });

  it('is the motion of the printer, and of a profile that has its own prints', () => {
    const eight = known(...[200, 500, 900, 1400].map((layers) => tookS(8, {}, layers)));
    const { value, source } = motionOf(eight, printer, profile);
    expect(value).toBeCloseTo(8, 0);
    expect(source).toBe('learnt from 4 prints on Printer A');
    expect(motionOf(eight, printer, { id: id(99) }).value).toBeCloseTo(8, 0);
  });

  it('takes hours that the printer said for sure, and none of a print that paused', () => {
    const told = known(tookS(9, { hoursTyped: (1400 + 400 * 7) / 3600 }));
    expect(motionOf(told, printer, profile).value).toBeCloseTo(7, 1);
    expect(motionOf(known(tookS(30, { pausesMm: [4] })), printer, profile).value).toBe(6);
    expect(motionOf(known(pouredPrint()), printer, profile).value).toBe(6);
  });

  it('is the support share of the resin', () => {
    const used = (ml: number) => tookS(6, { resinUsedMl: ml });
    const many = known(...Array.from({ length: 12 }, () => used(20 * 1.5 + 1.5 + 3)));
    expect(supportsOf(many, resin).value).toBeCloseTo(50, 0);
    expect(supportsOf(many, resin).source).toBe('learnt from 12 prints with Skerry Low-Ash');
  });

  it('makes the print plan, and says so in its working', () => {
    const prints = known(...Array.from({ length: 6 }, (_, i) => tookS(8, {}, 200 + 300 * i)));
    const plan = valueOf(planPour({ doc: fullDoc(ZERO) }, { ...shop, prints }).print)!;
    const before = valueOf(planPour({ doc: fullDoc(ZERO) }, shop).print)!;
    expect(plan.hours.value - before.hours.value).toBeCloseTo((before.layers * 2) / 3600, 1);
    expect(givensOf(plan.hours.formula).find((g) => g.symbol === 'm')!.source).toMatch(
      /^learnt from 6 prints/,
    );
    expect(plan.lightH).toBeCloseTo(before.lightH, 9);
  });

  it('counts the pieces that went through a bath since it was filled', () => {
    const washed = pouredPrint({ washedAt: '2026-11-10T09:00:00.000Z', spares: 1 });
    expect(washedSince(known(washed, pouredPrint()), '2026-11-01T00:00:00.000Z')).toBe(3);
    expect(washedSince(known(washed), '2026-11-11T00:00:00.000Z')).toBe(0);
    // A master is printed once, however many waxes come of it.
    const master = { ...washed, route: 'wax from a rubber mold' as const };
    expect(washedSince(known(master), '2026-11-01T00:00:00.000Z')).toBe(2);
  });
});

describe('the plate as it is started', () => {
  const context = () => resolvePour({ doc: fullDoc(ZERO) }, shop);
  const print = () => valueOf(planPour({ doc: fullDoc(ZERO) }, shop).print)!;

  it('is kept with its layers and light, so that later edits do not rewrite it', () => {
    const plate = plateNow(context(), print())!;
    const { layers, seconds } = printTime(print().heightMm, { ...profile, motionS: 6 });
    expect(plate).toMatchObject({
      printerId: printer.id,
      profileId: profile.id,
      layers,
      raftMl: print().raftMl.value,
    });
    expect(plate.exposureS).toBeCloseTo(seconds - layers * 6, 9);
    expect(plate.partsMl).toBeCloseTo(3.2 * (valueOf(planPour({ doc: fullDoc(ZERO) }, shop).scale)!.percent.value / 100) ** 3, 9); // prettier-ignore
    expect(plate.load).toBeUndefined();
  });

  it('carries its load once the layers were cut, and is judged beside what held', () => {
    const cut = { islands: 0, overhangMm2: 0, peakMm2: 200, firstMm2: 200 };
    const read = { ...shop, readings: cutReadings(cut) };
    const doc = fullDoc(ZERO);
    const plan = planPour({ doc }, read);
    const { load } = plateNow(plan.context, valueOf(plan.print)!)!;
    expect(load).toMatchObject({ peakMm2: 400 });
    // The raft under what stands there, by its real outline: not a volume over a thickness.
    expect(Math.abs(load!.heldMm2 / valueOf(plan.print)!.raftMm2 - 1)).toBeLessThan(0.03);
    expect(valueOf(plan.print)!.judgements.find((j) => j.rule === 'adhesion')!.lead).toBe('Enough holds it.');
    const fell = pouredPrint({ print: { plate: { ...PLATE, load: load! }, pieces: { 'l1/1': { outcome: 'lost', note: '', fault: 'fell from plate' } } } }); // prettier-ignore
    const after = planPour({ doc }, { ...read, prints: known(fell) });
    expect(valueOf(after.print)!.judgements.find((j) => j.rule === 'adhesion')!.weight).toBe('fix');
    // The pour itself is no evidence of itself.
    const itself = planPour({ id: fell.pourId, doc }, { ...read, prints: known(fell) });
    expect(valueOf(itself.print)!.judgements.find((j) => j.rule === 'adhesion')!.weight).toBe('ok');
  });

  it('says what is left in the bottles, and when they are short', () => {
    const bottle = { key: 'b', openedAt: null, mlLeft: 100, note: '' };
    const of = (mlLeft: number) => {
      const lists = { ...shop.lists, resin: [{ ...resin, bottles: [{ ...bottle, mlLeft }] }] };
      return valueOf(planPour({ doc: fullDoc(ZERO) }, { ...shop, lists }).print)!;
    };
    expect(of(100).leftMl).toBeCloseTo(100 - of(100).resinMl.value, 9);
    expect(print().leftMl).toBeUndefined();
    const short = of(2).judgements.find((j) => j.rule === 'resin short')!;
    expect(formatPhrase(short.why, METRIC)).toMatch(/are \d+ ml short of this plate/);
  });
});

describe('hands at a running print', () => {
  const moments = (change: Parameters<typeof fullDoc>[1]) =>
    valueOf(planPour({ doc: fullDoc(ZERO, change) }, shop).times)!
      .moments.filter((m) => m.stage === 'print' && m.at >= Date.parse('2026-11-24T08:00:00.000Z'))
      .map((m) => [formatPhrase(m.what, METRIC), m.done]);
  const startedAt = '2026-11-24T08:00:00.000Z';

  it('are a look part way and the end', () => {
    expect(moments((doc) => (doc.print.startedAt = startedAt))).toEqual([
      ['Look at the print: do all hang?', false],
      ['Print is done', false],
    ]);
    expect(
      moments((doc) => Object.assign(doc.print, { startedAt, checkedAt: '2026-11-24T08:30:00.000Z' }))[0],
    ).toEqual(['Look at the print: do all hang?', true]);
    expect(moments((doc) => Object.assign(doc.print, { startedAt, finishedAt: startedAt }))).toEqual([]);
  });

  it('are asked for without a pour time too', () => {
    const { moments: asked } = planPour({ doc: fullDoc(ZERO, (doc) => {
      delete doc.brief.zeroAt;
      doc.print.startedAt = startedAt;
    }) }, shop); // prettier-ignore
    expect(asked.map((m) => formatPhrase(m.what, METRIC))).toEqual([
      'Look at the print: do all hang?',
      'Print is done',
    ]);
  });

  it('keep the end that was reckoned when it was started, whatever is learnt meanwhile', () => {
    const plate = plateNow(
      resolvePour({ doc: fullDoc(ZERO) }, shop),
      valueOf(planPour({ doc: fullDoc(ZERO) }, shop).print)!,
    )!;
    const slower = {
      ...shop,
      lists: { ...shop.lists, printer: shop.lists.printer.map((p) => ({ ...p, motionS: 30 })) },
    };
    const hours = (of: Shop, fixed: boolean) =>
      valueOf(planPour({ doc: fullDoc(ZERO, (doc) => {
        doc.print.startedAt = startedAt;
        if (fixed) doc.print.plate = plate;
      }) }, of).print)!.hours.value; // prettier-ignore
    expect(hours(slower, false)).toBeGreaterThan(1.5 * hours(shop, false));
    expect(hours(slower, true)).toBeCloseTo(hours(shop, false), 9);
  });

  it('come when base and 5 mm are out', () => {
    const context = resolvePour({ doc: fullDoc(ZERO) }, shop);
    const height = profile.baseLayers * profile.layerMm + 5;
    expect(partWayH(context)).toBeCloseTo(printTime(height, { ...profile, motionS: 6 }).seconds / 3600, 9);
  });
});

describe('the resin in the vat', () => {
  const NOW = Date.parse('2026-11-24T08:00:00.000Z');
  const pourAt = (zero: Date, change: Parameters<typeof fullDoc>[1] = () => {}) => ({
    id: id(60),
    number: 7,
    createdAt: '2026-11-20T08:00:00.000Z',
    changedAt: '2026-11-20T08:00:00.000Z',
    discarded: false,
    doc: fullDoc(zero, change),
  });
  const context = resolvePour({ doc: fullDoc(ZERO) }, shop);
  const said = (rows: ReturnType<typeof boardRows>, of = context): string => {
    const verdict = bottleOrLeave(of, rows, NOW, () => 'Wed 09:00');
    return verdict ? `${verdict.lead} ${verdict.why}` : '';
  };

  it('stays for the next print of the same resin on the same printer', () => {
    expect(said(boardRows([pourAt(ZERO)], shop))).toBe('It may stay in the vat. Pour 7 prints with it Wed 09:00. Keep it covered from light.'); // prettier-ignore
  });
  it('is bottled when nothing is planned, another resin comes, or it would lapse before', () => {
    expect(said([])).toBe('Bottle it now. No other print is planned on Printer A.');
    const other = { ...resin, id: id(77), name: 'Other' };
    const lists = { ...shop.lists, resin: [resin, other] };
    const rows = boardRows([pourAt(ZERO, (doc) => (doc.resin.resinId = other.id))], { ...shop, lists });
    expect(said(rows)).toContain('Pour 7 prints another resin on Printer A');
    const late = new Date(2026, 11, 30, 9, 15);
    expect(said(boardRows([pourAt(late)], shop))).toContain('after the vat’s 14 days');
  });
  it('counts its days from when the vat was filled', () => {
    const vats = [{ key: 'v', printerId: printer.id, filledAt: '2026-11-09T08:00:00.000Z', note: '' }];
    const lists = { ...shop.lists, resin: [{ ...resin, vats }] };
    const old = resolvePour({ doc: fullDoc(ZERO) }, { ...shop, lists });
    expect(said(boardRows([pourAt(ZERO)], { ...shop, lists }), old)).toContain('after the vat’s 14 days');
  });
  it('is not spoken of without resin and printer', () => {
    expect(said([], resolvePour({ doc: fullDoc(ZERO, (doc) => (doc.resin = {})) }, shop))).toBe('');
  });
});
