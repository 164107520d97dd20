import { describe, expect, it } from 'vitest';
import constant from '../../reference/heat.json';
import programmes from '../../reference/heat-programmes.json';
import { InputError } from '../numeric';
import { heatFlask, kilnAt, plasterOf, type HeatRow, type KilnPoints } from './index';
import { calcined, firstHeat, firstWarming, WATER } from './plaster';

const points = (list: readonly (readonly number[])[]): KilnPoints =>
  list.map(([h, tempC]) => ({ h: h!, tempC: tempC! }));
/** A row at a moment, between those that were written down. */
function rowAt(rows: readonly HeatRow[], h: number): HeatRow {
  const n = rows.findIndex((row) => row.h >= h - 1e-9);
  const [a, b] = [rows[Math.max(0, n - 1)]!, rows[n]!];
  const share = b.h === a.h ? 1 : (h - a.h) / (b.h - a.h);
  const mixed = Object.entries(a).map(([key, value]) => [
    key,
    value + share * (b[key as keyof HeatRow] - value),
  ]);
  return Object.fromEntries(mixed) as HeatRow;
}
const STEPPED = programmes.cases.find(({ case: name, variant }) => name === 'a_stepped' && variant === 'written')!; // prettier-ignore
const FAST = programmes.cases.find(({ case: name, variant }) => name === 'b_fast' && variant === 'written')!; // prettier-ignore
const BODY = { innerDiameterMm: 76, heightMm: 102, shellMm: 2 };
const runOf = ({ kiln_points_h_c: kiln }: typeof STEPPED, finer = 1) =>
  heatFlask({ body: BODY, plaster: plasterOf(programmes.water_ratio), kiln: points(kiln), patternsMm: 20, finer }); // prettier-ignore

describe('set investment', () => {
  it('has the solid, free water and dihydrate heat of the book at its ratio', () => {
    const plaster = plasterOf(0.4);
    expect(plaster.solid).toBeCloseTo(programmes.properties.rhos, 6);
    expect(plaster.water).toBeCloseTo(programmes.properties.wf, 6);
    expect(plaster.dihydrateJ).toBeCloseTo(programmes.properties.Lb, 0);
    expect(plasterOf(0.42).water).toBeGreaterThan(plaster.water);
    expect(() => plasterOf(38)).toThrow(InputError);
  });
  it('is calcined between 110 and 200 °C, three quarters of it up to 170', () => {
    expect([100, 110, 140, 170, 185, 200, 700].map(calcined)).toEqual([0, 0, 0.375, 0.75, 0.875, 1, 1]);
  });
  it('has a table that gives back every temperature by its heat, with the plateau of boiling', () => {
    const plaster = plasterOf(0.4);
    const { temps, lowJ, stepJ, boilFromJ, boilToJ } = firstWarming(plaster);
    const read = (heat: number): number => {
      const at = (heat - lowJ) / stepJ;
      const n = Math.floor(at);
      return temps[n]! + (at - n) * (temps[n + 1]! - temps[n]!);
    };
    for (const tempC of [-20, 20, 60, 99, 105, 131, 180, 320, 699, 705, 1000])
      expect(read(firstHeat(plaster, tempC))).toBeCloseTo(tempC, 1);
    expect(boilToJ - boilFromJ).toBeCloseTo(plaster.water * WATER.latentJPerKg, 3);
    expect(read((boilFromJ + boilToJ) / 2)).toBe(100);
  });
});

describe('a flask in the kiln', () => {
  it('without water, shell or radiation follows the series of the cylinder to 2 °C', () => {
    const { k, rho, c, h, start_c: startC, ambient_c: tempC, rows } = constant;
    const dry = { solid: rho, water: 0, dihydrateJ: 0, c20: c, c700: c, kWet: k, kDry: k };
    const run = heatFlask({
      body: { innerDiameterMm: 2000 * constant.radius_m, heightMm: 1000 * constant.height_m, shellMm: 0 },
      plaster: dry,
      kiln: [{ h: 0, tempC }, { h: 2, tempC }], // prettier-ignore
      patternsMm: 0,
      startC,
      surroundings: { hWPerM2K: h, emissivity: 0 },
    });
    for (const { t_s: s, finite_core: core, finite_mid_surface: surface } of rows) {
      const row = rowAt(run.rows, s / 3600);
      expect(Math.abs(row.coreC - core)).toBeLessThan(2);
      expect(Math.abs(row.shellC - surface)).toBeLessThan(2);
      expect(row.patternsC).toBeCloseTo(row.coreC, 6);
    }
    expect(run.energyOff).toBeLessThan(1e-9);
  });

  it.each([
    ['stepped', STEPPED],
    ['fast', FAST],
  ])('agrees with the whole model of the %s programme', (_, reference) => {
    const { judgements, rows } = reference;
    const run = runOf(reference);
    expect(Math.abs(run.dryH! - judgements.dry_h)).toBeLessThan(0.1);
    expect(run.coreCarbonH).toBeCloseTo(judgements.hours650, 1);
    expect(Math.abs(run.coreMaxC - judgements.core_max)).toBeLessThan(3);
    for (const { h, core, shell, water_left: left } of rows) {
      const row = rowAt(run.rows, h);
      const steep = Math.abs(h - judgements.dry_h) < 0.5;
      expect(Math.abs(row.coreC - core)).toBeLessThan(steep ? 25 : 3);
      expect(Math.abs(row.shellC - shell)).toBeLessThan(steep ? 25 : 3);
      expect(row.waterLeft).toBeCloseTo(left, 1);
    }
    expect(run.energyOff).toBeLessThan(1e-6);
    // Once it boils its core is never colder until it cools: no kink of the reckoning shows.
    const first = run.rows.find(({ coreC }) => coreC > 99.9)!;
    const until = run.rows.filter(({ h }) => h >= first.h && h <= run.dryH!);
    expect(Math.min(...until.map(({ coreC }) => coreC))).toBeGreaterThan(99.9);
  });

  it('twice as fine agrees to 1.5 °C', () => {
    const { rows } = runOf(STEPPED, 2);
    for (const { h, core, shell } of STEPPED.rows) {
      if (Math.abs(h - STEPPED.judgements.dry_h) < 0.5) continue;
      expect(Math.abs(rowAt(rows, h).coreC - core)).toBeLessThan(1.5);
      expect(Math.abs(rowAt(rows, h).shellC - shell)).toBeLessThan(1.5);
    }
  });

  it.each([
    // The front sits in one cell at a time: a coarse grid is ahead of it in the beginning.
    [1, 0.05],
    [2, 0.03],
  ])('dries as the boiling front of a cylinder does, on a grid %s times as fine', (finer, off) => {
    const run = heatFlask({
      body: { innerDiameterMm: 76, heightMm: 400, shellMm: 0 },
      finer,
      plaster: { ...plasterOf(0.4), dihydrateJ: 0 },
      kiln: [{ h: 0, tempC: 150 }, { h: 5.2, tempC: 150 }], // prettier-ignore
      patternsMm: 0,
      startC: 99.999,
      surroundings: { hWPerM2K: 1e6, emissivity: 0 },
    });
    const { nr } = run.grid;
    const leftInMiddle = run.sections.map(({ h, water }) => {
      const rings = Array.from({ length: nr }, (_, i) => (2 * i + 1) * water[i]!);
      return { h, left: rings.reduce((sum, w) => sum + w, 0) / nr ** 2 };
    });
    const when = (share: number): number => {
      const n = leftInMiddle.findIndex(({ left }) => left < share);
      const [a, b] = [leftInMiddle[n - 1]!, leftInMiddle[n]!];
      return a.h + ((a.left - share) / (a.left - b.left)) * (b.h - a.h);
    };
    for (const [share, h] of [[0.5, 0.777], [0.1, 3.392], [0.01, 4.78]] as const) expect(Math.abs(when(share) / h - 1)).toBeLessThan(off); // prettier-ignore
  });

  it('has no second plateau after the power was cut: water and what was calcined do not come back', () => {
    const cut = points([[0, 20], [2, 150], [8, 150], [10, 300], [12, 25], [16, 25], [18, 300], [19, 300]]); // prettier-ignore
    const { rows, dryH } = heatFlask({ body: BODY, plaster: plasterOf(0.4), kiln: cut, patternsMm: 20 });
    expect(dryH!).toBeLessThan(12);
    const again = rows.filter(({ h }) => h > 15.5);
    expect(again[0]!.coreC).toBeLessThan(90);
    // From below 100 °C to well over it without a rest: never under 60 °C an hour on the way.
    const through = again.filter(({ coreC }) => coreC > 95 && coreC < 200);
    const rates = through.slice(1).map((row, n) => (row.coreC - through[n]!.coreC) / (row.h - through[n]!.h));
    expect(Math.min(...rates)).toBeGreaterThan(60);
    expect(again.every(({ waterLeft }) => waterLeft < 1e-9)).toBe(true);
  });
  it('cut while it boils keeps the water that is left, and boils on from there', () => {
    const kiln = points([[0, 20], [1, 150], [3, 150], [3.2, 20], [8, 20], [9, 150], [12, 150]]); // prettier-ignore
    const { rows } = heatFlask({ body: BODY, plaster: plasterOf(0.4), kiln, patternsMm: 20 });
    const [at, after] = [rowAt(rows, 4.2), rowAt(rows, 9)];
    expect(at.waterLeft).toBeGreaterThan(0.3);
    expect(after.waterLeft).toBeCloseTo(rowAt(rows, 8).waterLeft, 1);
    expect(rowAt(rows, 8).coreC).toBeLessThan(60);
    expect(rows.at(-1)!.waterLeft).toBeLessThan(after.waterLeft - 0.2);
    expect(Math.max(...rows.map(({ waterLeft }, n) => waterLeft - (rows[n - 1]?.waterLeft ?? 1)))).toBeLessThan(1e-12); // prettier-ignore
  });

  it('on a grid twice as fine changes its core by less than 3 °C', () => {
    const [coarse, fine] = [runOf(FAST), runOf(FAST, 2)];
    for (const { h, coreC } of coarse.rows)
      if (Math.abs(h - coarse.dryH!) > 0.5)
        expect(Math.abs(rowAt(fine.rows, h).coreC - coreC)).toBeLessThan(3);
  });

  it('cools in air from its rim: patterns lose far more than the core', () => {
    const kiln = points([[0, 20], [3, 700], [12, 700]]); // prettier-ignore
    const of = (airMin: number) =>
      heatFlask({ body: BODY, plaster: plasterOf(0.4), kiln, patternsMm: 30, airMin }).rows.at(-1)!;
    const [now, later] = [of(0), of(10)];
    expect(now.coreC).toBeGreaterThan(699);
    expect(now.kilnC).toBe(700);
    expect(later.kilnC).toBe(20);
    expect(later.coreC - later.patternsC).toBeGreaterThan(100);
    expect(later.shellC).toBeLessThan(later.patternsC);
  });

  it('of another size keeps the size of its cells', () => {
    const kiln = points([
      [0, 100],
      [0.1, 100],
    ]);
    const { grid } = heatFlask({ body: { innerDiameterMm: 125, heightMm: 200, shellMm: 2 }, plaster: plasterOf(0.4), kiln, patternsMm: 0 }); // prettier-ignore
    expect(grid.dr).toBeCloseTo(0.0024, 4);
    expect(grid.dz).toBeCloseTo(0.0043, 3);
  });

  it('refuses a kiln without points, of months, and patterns outside the flask', () => {
    const asked = { body: BODY, plaster: plasterOf(0.4), kiln: [] as KilnPoints, patternsMm: 20 };
    expect(() => heatFlask(asked)).toThrow(InputError);
    expect(() => heatFlask({ ...asked, kiln: points([[0, 20], [800, 20]]) })).toThrow(InputError); // prettier-ignore
    expect(() => heatFlask({ ...asked, kiln: points([[0, 20], [1, 20]]), patternsMm: 40 })).toThrow(InputError); // prettier-ignore
  });
});

it('reads a kiln between its points and holds its ends', () => {
  const kiln = points([[1, 100], [2, 200], [2, 300], [4, 100]]); // prettier-ignore
  expect([0, 1.5, 3, 9].map((h) => kilnAt(kiln, h))).toEqual([100, 150, 200, 100]);
});
