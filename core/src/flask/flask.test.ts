import { describe, expect, it } from 'vitest';
import { CLEARANCE_MM, CONE_ML, judgeClearance, layOutTree, type TreeForm } from './index';

const FORM: TreeForm = {
  arrangement: 'straight',
  tiltDeg: 45,
  mainSprueDiameterMm: 8,
  mainSprueLengthMm: 20,
  coneHeightMm: 12,
  betweenMm: CLEARANCE_MM.between,
};
const PART = { count: 1, cylinderDiameterMm: 20, cylinderLengthMm: 25, gateLengthMm: 4 };
const FLASK = { innerDiameterMm: 76, heightMm: 102 };
const rules = (layout: ReturnType<typeof layOutTree>, form: TreeForm, flask = FLASK): string[] =>
  judgeClearance(layout, form, flask).map((j) => `${j.rule} ${j.weight}`);

describe('tree', () => {
  it('stands one part on the axis', () => {
    const layout = layOutTree([PART], FORM);
    expect(layout).toMatchObject({ reachMm: 10, heightMm: 12 + 20 + 4 + 25, gapMm: null });
    expect(rules(layout, FORM)).toEqual(['wall ok', 'top ok']);
  });

  it('sets three straight parts apart by just the gap', () => {
    const layout = layOutTree([{ ...PART, count: 3 }], FORM);
    expect(layout.gapMm).toBeCloseTo(4, 9);
    expect(layout.reachMm).toBeCloseTo(12 / Math.sin(Math.PI / 3) + 10, 9);
  });

  it('tilts rings upward: level they reach furthest, upright they stand tallest', () => {
    const at = (tiltDeg: number) => layOutTree([PART], { ...FORM, arrangement: 'rings', tiltDeg });
    expect(at(0).reachMm).toBeCloseTo(4 + 4 + 25, 9);
    expect(at(0).heightMm).toBeGreaterThan(12);
    expect(at(80).reachMm).toBeLessThan(at(30).reachMm);
    expect(at(60).heightMm).toBeGreaterThan(at(30).heightMm);
  });

  it('opens a new ring when one is full and says when the sprue is short', () => {
    const form: TreeForm = { ...FORM, arrangement: 'rings' };
    const layout = layOutTree(
      [{ ...PART, count: 8, cylinderDiameterMm: 14, cylinderLengthMm: 8, gateLengthMm: 8 }],
      form,
    );
    expect(layout.rings * layout.perRing).toBeGreaterThanOrEqual(8);
    expect(layout.rings).toBeGreaterThan(1);
    expect(layout.gapMm).toBeGreaterThanOrEqual(4 - 1e-9);
    expect(rules(layout, form)).toContain('sprue short fix');
  });

  it('takes the largest part for all', () => {
    const small = { ...PART, cylinderDiameterMm: 5, cylinderLengthMm: 5 };
    expect(layOutTree([small, PART], FORM).reachMm).toBeCloseTo(layOutTree([PART, PART], FORM).reachMm, 9);
  });
});

describe('clearance', () => {
  const at = (reachMm: number, heightMm: number): string[] =>
    rules({ reachMm, heightMm, rings: 1, perRing: 1, sprueNeededMm: 0, gapMm: null }, FORM);
  it('names wall and top at their limits', () => {
    expect(at(30, 87)).toEqual(['wall ok', 'top ok']);
    expect(at(30.1, 87.1)).toEqual(['wall fix', 'top fix']);
    expect(at(38.1, 102.1)).toEqual(['wall stop', 'top stop']);
  });
  it('does not put more than four straight up', () => {
    expect(rules(layOutTree([{ ...PART, count: 5, cylinderDiameterMm: 8 }], FORM), FORM)).toContain(
      'straight many fix',
    );
  });
});

it('a cone is a third of its cylinder', () => {
  expect(CONE_ML.of({ D: 20, H: 9 })).toBeCloseTo((Math.PI * 100 * 9) / 3000, 12);
});
