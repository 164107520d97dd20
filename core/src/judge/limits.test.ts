import { describe, expect, it } from 'vitest';
import { judgeBurnable, judgeFlaskSize, judgePeak } from '../burnout';
import { judgeBoric, judgeGrade, judgeRatio, judgeWater, knownWaterC } from '../invest';
import { judgeReuse, judgeWays } from '../metal';
import { judgeBottles, judgeHeight, judgePlaces } from '../print';
import type { Judgement } from './judgement';

const said = (judgements: Judgement[]): string[] => judgements.map(({ rule, weight }) => `${rule} ${weight}`);
const SURE = { open: false, overlaps: false, densityGuessed: false };
const POWDER = { name: 'Harbour Stout', ratioLeast: 0.38, ratioMost: 0.42 };

/** Each rule at its limit, and just past it. */
describe('limits', () => {
  it('of the powder’s ratio belong to it', () => {
    expect([0.38, 0.4, 0.42].flatMap((ratio) => judgeRatio(POWDER, ratio))).toEqual([]);
    expect([0.379, 0.421].map((ratio) => said(judgeRatio(POWDER, ratio)))).toEqual([
      ['ratio fix'],
      ['ratio fix'],
    ]);
  });

  it('of the water: usual, warm, hot; not read is not usual', () => {
    expect([20, 24, undefined].flatMap(judgeWater)).toEqual([]);
    expect(
      [19.9, 24.1, 40, 40.1].map((c) => `${judgeWater(c)[0]?.lead} ${judgeWater(c)[0]?.weight}`),
    ).toEqual(['Cold water. watch', 'Warm water. watch', 'Warm water. watch', 'Warm water. fix']);
    expect([undefined, -10, 30, 90].map(knownWaterC)).toEqual([22, 5, 30, 45]);
  });

  it('of grade, boric acid and resin', () => {
    const mix = {
      ratio: 0.4,
      ratioLeast: 0.38,
      ratioUsual: 0.4,
      school: 'none',
      segments: undefined,
    } as const;
    expect([judgeGrade('resin', mix), judgeBoric('none')].flat()).toEqual([]);
    expect(said([judgeGrade('standard', mix), judgeBoric('water')].flat())).toEqual([
      'grade watch',
      'boric hard watch',
    ]);
    const master = { name: 'Marl Master', family: 'heat-resistant master', forBurnout: false };
    expect(said(judgeBurnable(master, 'burn out the print'))).toEqual(['not for burnout stop']);
    expect(judgeBurnable(master, 'wax from a rubber mold')).toEqual([]);
    expect(judgeBurnable({ ...master, forBurnout: true }, 'burn out the print')).toEqual([]);
  });

  it('of programme and kiln', () => {
    expect([judgeFlaskSize(100, 100), judgePeak(750, { name: 'Kiln 1', maxC: 750 })].flat()).toEqual([]);
    expect(said([judgeFlaskSize(100.1, 100), judgePeak(751, { name: 'Kiln 1', maxC: 750 })].flat())).toEqual([
      'flask size watch',
      'kiln max stop',
    ]);
  });

  it('of the plate and its bottles', () => {
    const printer = { name: 'Printer 1', plateZMm: 150 };
    expect([judgeHeight(150, printer), judgeBottles(0, 'it'), judgeBottles(undefined, 'it')].flat()).toEqual(
      [],
    );
    expect(said([judgeHeight(150.1, printer), judgeBottles(-0.1, 'it')].flat())).toEqual([
      'too tall stop',
      'resin short fix',
    ]);
    expect([judgePlaces(8, 8, 'it'), judgePlaces(9, 8, 'it')].map(said)).toEqual([
      ['plate room ok'],
      ['plate full watch'],
    ]);
  });

  it('of the charge', () => {
    expect(judgeWays(48, undefined, true, SURE)).toEqual([]);
    expect(said([judgeWays(105, 100, true, SURE), judgeWays(105.1, 100, false, SURE)].flat())).toEqual([
      'ways agree ok',
      'ways differ watch',
    ]);
    expect(judgeReuse(50)).toEqual([]);
    expect([49, 0].map((percent) => judgeReuse(percent)[0]?.lead)).toEqual([
      'Mostly reused metal.',
      'All reused metal.',
    ]);
  });
});
