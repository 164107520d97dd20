import {
  DEFAULT_SETTINGS,
  emptyPourDoc,
  pourDocSchema,
  SHOP_SCHEMAS,
  type PourDoc,
  emptyFlask,
  type PourFlask,
} from '../index';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { refuseNewFaults } from './fault';
import { settingsFaults } from './itemFaults';
import { pourFaults } from './pourFaults';
import { numberField, quantitySchema, readingSchema, schemaAt } from '../quantities';
import { quantityFaults } from './quantityFaults';

const measured = (value: number) => ({ state: 'measured' as const, value });

describe('numbers', () => {
  const schema = z.strictObject({
    tiltDeg: quantitySchema('Upward from level', 'deg', [10, 80]),
    vatC: quantitySchema('Vat', 'degC', [5, 90]).nullable().optional(),
    baths: z.array(z.strictObject({ key: z.string(), roomC: readingSchema('Room', 'degC', [-30, 60]).optional() })),
    widths: z.record(z.string(), z.array(quantitySchema('Measured', 'mm', [0.1, 50]))),
  });
  const good: z.infer<typeof schema> = { tiltDeg: 45, vatC: null, baths: [], widths: {} };
  const places = (change: Partial<z.infer<typeof schema>>): string[] =>
    quantityFaults(schema, { ...good, ...change }).map(({ path, what }) => `${path.join(' › ')} (${what})`);

  it('take both ends of what is possible, and nothing beyond', () => {
    const faults = (tiltDeg: number): number => quantityFaults(schema, { ...good, tiltDeg }).length;
    expect([10, 45, 80].map(faults)).toEqual([0, 0, 0]);
    expect([9.99, 80.01, Number.MAX_VALUE].map(faults)).toEqual([1, 1, 1]);
  });

  it('are found wherever they stand, by their place and by what the form calls them', () => {
    expect(places({ vatC: 91 })).toEqual(['vatC (Vat)']);
    expect(places({ baths: [{ key: 'b2', roomC: measured(61) }] })).toEqual(['baths › b2 › roomC (Room)']);
    expect(places({ widths: { strut: [0.3, 51] } })).toEqual(['widths › strut › 2 (Measured)']);
  });

  it('that nobody took, that are not known, or that a hand felt, are never wrong', () => {
    const baths = [{ key: 'a' }, { key: 'b', roomC: { state: 'not measured' as const } }, { key: 'c', roomC: { state: 'felt' as const, felt: 'hot' as const } }];
    expect(places({ baths, vatC: null })).toEqual([]);
    expect(quantityFaults(schema, undefined)).toEqual([]);
  });

  it('that were stored below a bound that was raised since are still read', () => {
    expect(schema.safeParse({ ...good, tiltDeg: 2 }).success).toBe(true);
    expect(schema.safeParse({ ...good, tiltDeg: -2 }).success).toBe(false);
    expect(schema.safeParse({ ...good, tiltDeg: 81 }).success).toBe(false);
  });

  it('have their label, unit and bounds at their path, also through keyed lists', () => {
    expect(numberField(schemaAt(pourDocSchema, ['flasks', 'f1', 'sprue', 'tiltDeg'])!)).toMatchObject({
      label: 'Upward from level',
      unit: 'deg',
      min: 0,
      max: 80,
      reading: false,
    });
    expect(numberField(schemaAt(pourDocSchema, ['result', 'castings', 'l1/1', 'weightG'])!)).toMatchObject({ unit: 'g', reading: true });
    expect(numberField(schemaAt(SHOP_SCHEMAS.printer, ['lightRatedH'])!)).toMatchObject({ nullable: true, whole: false });
    expect(schemaAt(pourDocSchema, ['nowhere', 'at all'])).toBeUndefined();
    expect(numberField(schemaAt(pourDocSchema, ['brief', 'note'])!)).toBeUndefined();
  });
}); // prettier-ignore

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

it('a bench may close the next morning, or never', () => {
  const week = (fromMin: number, toMin: number) => ({
    ...DEFAULT_SETTINGS,
    benchHours: DEFAULT_SETTINGS.benchHours.map((day) => ({ ...day, open: true, fromMin, toMin })),
  });
  for (const [fromMin, toMin] of [[18 * 60, 2 * 60], [0, 24 * 60], [480, 480]] as const)
    expect(settingsFaults(week(fromMin, toMin))).toEqual([]);
}); // prettier-ignore
