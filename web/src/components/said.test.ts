import { emptyPourDoc, pourDocSchema, quantityFaults } from '@zero-pour/contracts';
import { describe, expect, it } from 'vitest';
import { said } from './said';

describe('what is said of a number', () => {
  it('is the schema’s, for pours, things of the shop, records and settings alike', () => {
    expect(said('pour', 'invest', 'ratio')).toEqual({
      label: 'Water ÷ powder',
      unit: 'ratio',
      digits: 3,
      min: 0.2,
      max: 1,
    });
    expect(said('programme', 'segments', '0', 'holdH')).toMatchObject({ label: 'Hold', unit: 'h', max: 72 });
    expect(said('trial', 'widths', '0', 'drawnMm')).toMatchObject({ label: 'Drawn', unit: 'mm' });
    expect(said('settings', 'newMetalPercent')).toMatchObject({ unit: 'percent', min: 0, max: 100 });
  });

  it('stops a page that asks for what is no number, or nowhere', () => {
    expect(() => said('pour', 'brief', 'note')).toThrow('pour › brief › note');
    expect(() => said('kiln', 'doors')).toThrow('kiln › doors');
  });

  it('is what the border holds to: a field takes nothing that is refused when it is sent', () => {
    const { min, max } = said('pour', 'flasks', 'f1', 'sprue', 'mainSprueDiameterMm');
    const faults = (mainSprueDiameterMm: number): number => {
      const doc = emptyPourDoc();
      doc.flasks[0]!.sprue.mainSprueDiameterMm = mainSprueDiameterMm;
      return quantityFaults(pourDocSchema, doc).length;
    };
    expect([min, max].map(faults)).toEqual([0, 0]);
    expect([min - 0.01, max + 0.01].map(faults)).toEqual([1, 1]);
  });
});
