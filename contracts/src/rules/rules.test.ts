import { DEFAULT_SETTINGS, emptyPourDoc, type PourDoc, emptyFlask, type PourFlask } from '../index';
import { describe, expect, it } from 'vitest';
import { refuseNewFaults } from './fault';
import { settingsFaults } from './itemFaults';
import { pourFaults } from './pourFaults';
import { POSSIBLE, readingFault } from './readingFaults';

const measured = (value: number) => ({ state: 'measured' as const, value });

describe('readings', () => {
  it.each(Object.entries(POSSIBLE))('%s take both ends of what is possible, and nothing beyond', (kind, { least, most }) => {
    const faults = (value: number) => readingFault(['x'], measured(value), kind as keyof typeof POSSIBLE).length;
    expect([least, most, (least + most) / 2].map(faults)).toEqual([0, 0, 0]);
    expect([least - 0.01, most + 0.01, Number.MAX_VALUE].map(faults)).toEqual([1, 1, 1]);
  }); // prettier-ignore

  it('that nobody took, or that a hand felt, are never wrong', () => {
    for (const reading of [undefined, { state: 'not measured' as const }, { state: 'felt' as const, felt: 'hot' as const }])
      expect(readingFault(['x'], reading, 'roomC')).toEqual([]);
  }); // prettier-ignore
});

describe('a pour', () => {
  const at = (hour: number): string => `2026-11-20T${String(hour).padStart(2, '0')}:00:00.000Z`;
  const poured = (pour: PourFlask['pour']): PourFlask => ({ ...emptyFlask('f1'), pour });
  const change = (fields: Partial<PourDoc>): PourDoc => ({ ...emptyPourDoc(), ...fields });

  it('that is empty has nothing wrong', () => {
    expect(pourFaults(emptyPourDoc())).toEqual([]);
  });

  it.each([
    [change({ burnout: { hands: {}, startedAt: at(9) }, flasks: [poured({ pouredAt: at(8) })] }), 'flasks › f1 › pour › pouredAt'],
    [change({ flasks: [poured({ pouredAt: at(9) })], result: { castings: {}, doneAt: at(8) } }), 'result › doneAt'],
    [change({ invest: { ...emptyPourDoc().invest, powderInAt: at(9), doneAt: at(8) } }), 'invest › doneAt'],
    [change({ flasks: [poured({ steps: { melt: { startedAt: at(9), doneAt: at(8) } } })] }), 'flasks › f1 › pour › steps › melt › doneAt'],
    [change({ flasks: [emptyFlask('f1'), emptyFlask('f1')] }), 'flasks'],
    [change({ flasks: [{ ...emptyFlask('f1'), pieces: ['l1/1'] }, { ...emptyFlask('f2'), pieces: ['l1/1'] }] }), 'flasks'],
    [change({ happenings: [{ key: 'h', kind: 'power lost', at: at(9), until: at(8), note: '' }] }), 'happenings › h › until'],
    [change({ result: { castings: { 'l1/4': { flaws: [], photos: [], sizes: { held: { cast: measured(401) } } } } } }), 'result › castings › l1/4 › sizes › held › cast'],
  ])('names the place of what cannot be: %#', (doc, place) => {
    expect(pourFaults(doc).map((fault) => fault.path.join(' › '))).toEqual([place]);
  }); // prettier-ignore

  it('at the very moment is no fault: begun and over in the same minute', () => {
    const steps = { melt: { startedAt: at(9), doneAt: at(9) } };
    expect(pourFaults(change({ flasks: [poured({ steps })] }))).toEqual([]);
  });
});

describe('what stood there before', () => {
  const fault = (why: string) => ({ path: ['pour', 'chargeRead'], why });
  it('is not refused again; what is new beside it is', () => {
    expect(() => refuseNewFaults([fault('a')], [fault('a')])).not.toThrow();
    expect(() => refuseNewFaults([fault('a')], [fault('a'), fault('b')])).toThrow('pour › charge read: b');
    expect(() => refuseNewFaults([fault('a')], [])).not.toThrow();
  });
});

it('a closed day may have any hours; an open one opens before it closes', () => {
  const week = (open: boolean) => ({
    ...DEFAULT_SETTINGS,
    benchHours: DEFAULT_SETTINGS.benchHours.map((day, i) =>
      i === 2 ? { open, fromMin: 900, toMin: 600 } : day,
    ),
  });
  expect(settingsFaults(week(false))).toEqual([]);
  expect(settingsFaults(week(true))).toHaveLength(1);
});
