import { describe, expect, it } from 'vitest';
import reference from '../../reference/exposure.json';
import { InputError, formatPhrase, METRIC } from '../numeric';
import {
  carryOver,
  changedSettings,
  cureDepthMm,
  farFromOthers,
  finestFeature,
  firstGuessS,
  fitWidths,
  fitWorkingCurve,
  startingFigures,
  trueWithinReach,
  widthErrorMm,
  type ExposureSetting,
  type ReportedExposure,
  type TrialSettings,
} from './index';

const DISCS = reference.working_curve.energy_mj_cm2.map((energyMjPerCm2, i) => ({
  energyMjPerCm2,
  depthMm: reference.working_curve.cure_depth_mm[i]!,
}));

describe('working curve', () => {
  it('agrees with the independent fit', () => {
    const curve = fitWorkingCurve(DISCS);
    expect(curve.dpMm).toBeCloseTo(reference.working_curve.dp_mm, 10);
    expect(curve.dpSe).toBeCloseTo(reference.working_curve.dp_se, 10);
    expect(curve.ecMjPerCm2).toBeCloseTo(reference.working_curve.ec_mj_cm2, 8);
    expect(curve.r2).toBeCloseTo(reference.working_curve.r2, 10);
    expect(curve.ecSe).toBeGreaterThan(0);
    expect(curve.ecSe).toBeLessThan(0.1 * curve.ecMjPerCm2);
  });
  it('recovers a curve without noise, with no error to speak of', () => {
    const truth = { dpMm: 0.13, ecMjPerCm2: 7.5 };
    const exact = [9, 14, 25, 60].map((e) => ({ energyMjPerCm2: e, depthMm: cureDepthMm(truth, e) }));
    const curve = fitWorkingCurve(exact);
    expect(curve.dpMm).toBeCloseTo(0.13, 12);
    expect(curve.ecMjPerCm2).toBeCloseTo(7.5, 9);
    expect(curve.ecSe).toBeLessThan(1e-6);
  });
  it('gives the golden first guess at two layer heights', () => {
    const { dp_mm, ec, irradiance, layer_mm, overcure_mm, seconds, seconds_at_0_025 } = reference.first_guess;
    const curve = { dpMm: dp_mm, ecMjPerCm2: ec };
    expect(firstGuessS(curve, irradiance, layer_mm, overcure_mm)).toBeCloseTo(seconds, 10);
    expect(firstGuessS(curve, irradiance, 0.025)).toBeCloseTo(seconds_at_0_025, 10);
  });
  it('refuses too few discs, and discs that thin with light', () => {
    expect(() => fitWorkingCurve(DISCS.slice(0, 2))).toThrow(InputError);
    expect(() => fitWorkingCurve(DISCS.map((d) => ({ ...d, depthMm: 0.4 - d.depthMm })))).toThrow(InputError);
    expect(() => fitWorkingCurve([{ energyMjPerCm2: 0, depthMm: 0.1 }, ...DISCS])).toThrow(InputError);
  });
});

const A: ExposureSetting = {
  printerId: 'a',
  wavelengthNm: 405,
  irradianceMwPerCm2: 2.5,
  layerMm: 0.05,
  vatC: null,
};

describe('carrying a setting over', () => {
  it('scales by light at one wavelength', () => {
    const other = carryOver(A, { ...A, printerId: 'b', irradianceMwPerCm2: 5 }, null);
    expect(other).toMatchObject({ status: 'carried', factor: 0.5 });
    expect(other.status === 'carried' && other.laws).toHaveLength(1);
  });
  it('scales by layer height through the working curve', () => {
    const thinner = carryOver(A, { ...A, layerMm: 0.025 }, 0.11);
    expect(thinner.status === 'carried' && thinner.factor).toBeCloseTo(
      reference.first_guess.seconds_at_0_025 / reference.first_guess.seconds,
      10,
    );
  });
  it('comes back to one, there and back', () => {
    const b = { ...A, printerId: 'b', irradianceMwPerCm2: 3.1, layerMm: 0.035 };
    const [there, back] = [carryOver(A, b, 0.12), carryOver(b, A, 0.12)];
    expect(there.status === 'carried' && back.status === 'carried' && there.factor * back.factor).toBeCloseTo(
      1,
      12,
    );
  });
  it.each([
    ['wavelength', { wavelengthNm: 385 }],
    ['light', { printerId: 'b', irradianceMwPerCm2: null }],
    ['layer', { layerMm: 0.03 }],
  ] as const)('refuses without a law: %s', (reason, change) => {
    expect(carryOver(A, { ...A, ...change }, null)).toMatchObject({ status: 'refused', reason });
  });
  it('refuses another vat temperature, but not one that nobody took', () => {
    expect(carryOver({ ...A, vatC: 22 }, { ...A, vatC: 28 }, 0.1)).toMatchObject({ reason: 'temperature' });
    expect(carryOver({ ...A, vatC: 27 }, { ...A, vatC: 28 }, 0.1)).toMatchObject({ factor: 1 });
    expect(carryOver({ ...A, vatC: null }, { ...A, vatC: 28 }, 0.1)).toMatchObject({ factor: 1 });
  });
});

const report = (fields: Partial<ReportedExposure> & { setting?: ExposureSetting }): ReportedExposure => ({
  source: 'maker',
  name: 'maker’s sheet',
  exposureS: 3,
  setting: A,
  ...fields,
});

describe('starting figures', () => {
  const curve = fitWorkingCurve(DISCS);
  it('puts the maker’s own for this printer first and says what none of them knows', () => {
    const { figures } = startingFigures(
      A,
      [
        report({ name: 'bench mate', source: 'another user', exposureS: 2.8 }),
        report({
          name: 'like printer',
          setting: { ...A, printerId: 'b', irradianceMwPerCm2: 5 },
          exposureS: 1.6,
        }),
        report({}),
      ],
      curve,
    );
    expect(figures.map((f) => f.way)).toEqual([
      'maker for this printer',
      'like printer',
      'another user’s',
      'working curve',
    ]);
    expect(figures[1]!.exposureS).toBeCloseTo(3.2, 12);
    for (const figure of figures) expect(figure.unknown.length).toBeGreaterThan(0);
  });
  it('refuses another wavelength and says why', () => {
    const { figures, refused } = startingFigures(A, [report({ setting: { ...A, wavelengthNm: 385 } })], null);
    expect(figures).toEqual([]);
    expect(formatPhrase(refused[0]!.why, METRIC)).toContain('385 nm');
  });
  it('cannot use a working curve without the printer’s light', () => {
    const { refused } = startingFigures({ ...A, irradianceMwPerCm2: null }, [], curve);
    expect(refused).toHaveLength(1);
  });
  it('prefers the figure for this very layer height', () => {
    const { figures } = startingFigures(
      A,
      [report({ setting: { ...A, layerMm: 0.025 }, exposureS: 2, name: 'thin' }), report({ name: 'same' })],
      curve,
    );
    expect(figures.map((f) => f.name).slice(0, 2)).toEqual(['same', 'thin']);
  });
  it('notices a tuned figure more than a third away from what others report', () => {
    const far = (tunedS: number, ...reports: Parameters<typeof report>[0][]) =>
      farFromOthers(tunedS, startingFigures(A, reports.map(report), curve).figures);
    expect(far(4.1, {})).toMatchObject([{ reportedS: 3, carried: false }]);
    expect(far(3.9, {})).toEqual([]);
    expect(far(1.9, {})).toHaveLength(1);
    expect(far(9, { source: 'this shop' })).toEqual([]);
    // Told for another layer height: carried over by the curve, and still a figure to be far from.
    const [carried] = far(9, { setting: { ...A, layerMm: 0.025 } });
    expect(carried).toMatchObject({ carried: true });
    expect(carried!.reportedS).toBeCloseTo(3 * Math.exp(0.025 / curve.dpMm), 9);
    expect(far(9, { setting: { ...A, wavelengthNm: 385 } })).toEqual([]);
  });
});

describe('widths', () => {
  const widths = [2, 3, 4, 5].map((exposureS) => ({
    exposureS,
    drawnMm: 0.4,
    measuredMm: 0.4 - 0.06 + 0.05 * Math.log(exposureS),
  }));
  it('find the exposure at which widths are as drawn', () => {
    const model = fitWidths(widths);
    if (model.status !== 'fitted') throw new Error('no fit');
    expect(model.trueS).toBeCloseTo(Math.exp(0.06 / 0.05), 9);
    expect(widthErrorMm(model.line, 5).errorMm).toBeCloseTo(-0.06 + 0.05 * Math.log(5), 12);
    expect(trueWithinReach(model.trueS, widths)).toBe(true);
    expect(trueWithinReach(30, widths)).toBe(false);
  });
  it('need three at two exposures', () => {
    expect(fitWidths(widths.slice(0, 2)).status).toBe('too few');
    expect(fitWidths([widths[0]!, widths[0]!, widths[0]!]).status).toBe('too few');
  });
});

describe('finest reliable feature', () => {
  it('lies between the sizes that break and those that stand', () => {
    const finest = finestFeature(0.3, [
      { sizeMm: 0.2, good: 2, of: 24 },
      { sizeMm: 0.3, good: 14, of: 24 },
      { sizeMm: 0.4, good: 24, of: 24 },
    ])!;
    expect(finest.q50Mm).toBeGreaterThan(0.3);
    expect(finest.q50Mm).toBeLessThan(0.4);
    expect(finest.q05Mm).toBeLessThan(finest.q50Mm);
    expect(finest.features).toBe(72);
  });
  it('is nothing before anything was counted', () => {
    expect(finestFeature(0.3, [])).toBeUndefined();
    expect(finestFeature(0.3, [{ sizeMm: 0.3, good: 0, of: 0 }])).toBeUndefined();
  });
});

describe('changed settings', () => {
  const first: TrialSettings = {
    printerId: 'a',
    layerMm: 0.05,
    exposureS: 3,
    baseExposureS: 25,
    baseLayers: 6,
    vatC: 28,
    raftMm: null,
    primingCoats: 0,
  };
  it('names each, in the words of the bench', () => {
    expect(changedSettings({ ...first, exposureS: 3.4 }, first)).toEqual(['exposure']);
    expect(changedSettings({ ...first, exposureS: 3.4, baseExposureS: 30 }, first)).toEqual([
      'exposure',
      'base seconds',
    ]);
  });
  it('does not count a degree, or what nobody took', () => {
    expect(changedSettings({ ...first, vatC: 30 }, first)).toEqual([]);
    expect(changedSettings({ ...first, vatC: 22 }, first)).toEqual(['vat temperature']);
    expect(changedSettings({ ...first, raftMm: 1.5, vatC: null }, first)).toEqual([]);
  });
});
