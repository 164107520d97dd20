import type { PourDoc } from '@zero-pour/contracts';
import { analysePattern, formatPhrase, METRIC, readPattern, writeBinaryStl } from '@zero-pour/core';
import { patternJob } from '@zero-pour/jobs';
import { describe, expect, it } from 'vitest';
import { judgeDownstream, resolvePour, type ActingStage } from '../index';
import type { Readings } from '../readings';
import { fullDoc, planShop } from '../testing/planShop';

const ZERO = new Date(2026, 10, 26, 9, 15);

/** A thick plate with deep slots of 0.3 mm, as lettering has them; read as a file is. */
function letteredPlate(): Readings {
  const [w, d, h, slots, gap] = [14, 10, 6, 5, 0.3];
  const positions: number[] = [];
  const triangles: number[] = [];
  const box = (x0: number, x1: number, z0: number, z1: number): void => {
    const base = positions.length / 3;
    for (let i = 0; i < 8; i++) positions.push(i & 1 ? x1 : x0, i & 2 ? d : 0, i & 4 ? z1 : z0);
    for (const t of [
      0, 2, 1, 1, 2, 3, 4, 5, 6, 5, 7, 6, 0, 1, 4, 1, 5, 4, 2, 6, 3, 3, 6, 7, 0, 4, 2, 2, 4, 6, 1, 3, 5, 3, 7,
      5,
    ])
      // prettier-ignore
      triangles.push(base + t);
  };
  box(0, w, 0, h - 1.5);
  const pitch = w / slots;
  for (let n = 0; n < slots; n++) box(n * pitch, (n + 1) * pitch - gap, h - 1.6, h);
  const file = writeBinaryStl(Float64Array.from(positions), Uint32Array.from(triangles));
  const read = readPattern(file, 'plate.stl', 1);
  if (read.status !== 'read') throw new Error(read.status);
  const result = analysePattern(read.mesh, read.measure);
  if (result.status !== 'analysed') throw new Error(result.status);
  return {
    of: (job) =>
      job.name === patternJob.name
        ? { status: 'known', value: { result: { status: 'analysed', analysis: result.analysis } } as never }
        : { status: 'unread' },
  };
}

describe('what a lettered plate asks of later stages', () => {
  const readings = letteredPlate();
  const said = (
    stage: ActingStage,
    change: (doc: PourDoc) => void = () => {},
    read: Readings | undefined = readings,
  ): string[] => {
    const context = resolvePour(
      { doc: fullDoc(ZERO, change) },
      { ...planShop(), ...(read ? { readings: read } : {}) },
    );
    return judgeDownstream(context, stage, 100).map(
      (j) => `${j.weight} ${j.lead} ${formatPhrase(j.why, METRIC)}`,
    );
  };
  const wax = (doc: PourDoc): void => void (doc.brief.route = 'wax from a rubber mold');

  it('speaks of its slots where it is invested, with what to do', () => {
    const [slots] = said('invest');
    expect(slots).toMatch(/^watch Fragile investment in (four|five) slots\. .*0\.3\d? mm wide/);
    expect(slots).toContain('add boric acid');
  });
  it('speaks of its mass where it is burnt out, unless it is wax', () => {
    expect(said('burnout').join(' ')).toContain('Thick resin mass.');
    expect(said('burnout', wax)).toEqual([]);
    expect(said('invest', wax)).not.toEqual([]);
  });
  it('says nothing of a part that nobody has read', () => {
    const none: Readings = { of: () => ({ status: 'unread' }) };
    for (const stage of ['invest', 'burnout', 'pour'] as const)
      expect(said(stage, () => {}, none)).toEqual([]);
  });
});
