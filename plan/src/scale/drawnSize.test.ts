import type { PourDoc, SizeTarget } from '@zero-pour/contracts';
import { formatPhrase, METRIC, ringDiameterMm } from '@zero-pour/core';
import { describe, expect, it } from 'vitest';
import { pouredSize } from './gatherSizes';
import { planPour, valueOf, type ScalePlan } from '../index';
import { NO_READINGS, type Readings } from '../readings';
import { boreReadings, fullDoc, LINE, planShop, wanted } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);
const US11 = ringDiameterMm('US', '11');
const bore = (change: Partial<SizeTarget> = {}): SizeTarget =>
  wanted({ name: 'Bore', of: 'bore', finishedMm: US11, ring: { system: 'US', size: '11' }, ...change });

function scaleOf(readings: Readings, target = bore(), change: (doc: PourDoc) => void = () => {}): ScalePlan {
  const doc = fullDoc(ZERO, (d) => {
    d.brief.sizes = [target];
    change(d);
  });
  return valueOf(planPour({ doc }, { ...planShop(), readings }).scale)!;
}
const said = ({ judgements }: ScalePlan): string[] =>
  judgements.map((j) => `${j.weight} ${j.lead} ${formatPhrase(j.why, METRIC)}`);

describe('a wished ring size beside a file', () => {
  it('of another bore is printed at what makes up for it, and the difference is said', () => {
    const scale = scaleOf(boreReadings(19.99));
    const same = scaleOf(boreReadings(US11));
    expect(scale.percents[0] / same.percents[0]).toBeCloseTo(US11 / 19.99, 4);
    expect(said(scale)[0]).toBe(
      `watch The file has another bore. It is 19.99 mm, US, Canada 10¼; you want ${US11.toFixed(2)} mm, US, Canada 11. Walls and all else change with it by 2.9 %.`,
    );
    expect(scale.sizes[0]!.within).toBe(true);
    expect(scale.percent.guessed).toBeFalsy();
  });
  it('of the same bore holds, and nothing else is said of the file', () => {
    const text = said(scaleOf(boreReadings(US11 + 0.05))).join(' ');
    expect(text).toContain('ok The size holds.');
    expect(text).not.toContain('another bore');
  });
  it.each([
    ['not read yet', NO_READINGS],
    ['no round bore was found', boreReadings(null)],
  ])('is never said to hold while the file’s is not known: %s', (why, readings) => {
    const scale = scaleOf(readings);
    expect(said(scale).join(' ')).toContain(why);
    expect(said(scale).some((line) => line.startsWith('ok'))).toBe(false);
    expect(scale.percent.guessed).toBe(true);
  });
  it('at a percent of the shop’s own is told to miss', () => {
    const typed = scaleOf(
      boreReadings(19.99),
      bore(),
      (doc) => void (doc.scale = { way: 'percent', percent: 100.5, own: {} }),
    );
    expect(said(typed).join(' ')).toContain('fix This percent misses.');
  });
  it('is taken from what was typed before the file is asked', () => {
    expect(scaleOf(boreReadings(19.99), bore({ drawnMm: US11 })).sizes[0]).toMatchObject({
      drawnMm: US11,
      drawnFrom: 'typed',
    });
  });
  it('of an outside asks to be measured; without a file it is to be drawn so', () => {
    const outside = wanted({ name: 'Width', finishedMm: 20 });
    expect(said(scaleOf(boreReadings(19.99), outside)).join(' ')).toContain(
      'Width in the file is not known.',
    );
    const none = scaleOf(NO_READINGS, bore(), (doc) => void (doc.brief.lines = []));
    expect(none.sizes[0]!.drawnFrom).toBe('no file');
    expect(said(none).join(' ')).toContain('ok The size holds.');
  });
  it('that was printed stays as it was, whatever file comes later', () => {
    const printedAs: NonNullable<PourDoc['scale']['printedAs']> = {
      at: ZERO.toISOString(),
      percents: [103.5, 103.5, 103.5],
      drawn: { held: { mm: 19.99, along: [0, 0, 1] } },
    };
    const scale = scaleOf(boreReadings(17), bore(), (doc) => void (doc.scale.printedAs = printedAs));
    expect(scale.sizes[0]).toMatchObject({ drawnMm: 19.99, drawnFrom: 'printed' });
    const told = pouredSize(
      {
        lines: [{ key: LINE, patternId: '', count: 1 }],
        rotations: {},
        scale: { way: 'chain', own: {}, printedAs },
      } as never,
      bore(),
    );
    expect(told.printMm).toBeCloseTo(19.99 * 1.035, 9);
  });
  it('read off the printer far from the plan asks for another print before the metal', () => {
    const scale = scaleOf(boreReadings(19.99), bore(), (doc) => {
      doc.scale.measured = { held: { printed: { state: 'measured', value: ringDiameterMm('US', '10') } } };
    });
    expect(scale.sizes[0]!.finished.value).toBeLessThan(19.9);
    expect(said(scale)[0]).toContain('fix Bore will be off: print again before you cast.');
    // 4 % off is no print's own doing: no percent stands in for the question.
    expect(said(scale)[0]).toContain('was it this file');
    const near = scaleOf(boreReadings(19.99), bore(), (doc) => {
      doc.scale.measured = { held: { printed: { state: 'measured', value: 20.4 } } };
    });
    expect(said(near)[0]).toMatch(/Print again at 10[45]\.\d\d %/);
  });
});
