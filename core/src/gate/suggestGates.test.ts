import { describe, expect, it } from 'vitest';
import { measured } from '../testing/analysed';
import { box, dumbbell, moved, together, type TestMesh } from '../testing/solids';
import { TriangleTree } from '../solid';
import { feedByGates, gradeFeed, judgeFeed, readFeedField, readGatePlaces, suggestGates } from './index';

function read(part: TestMesh) {
  const { mesh, measure } = measured(part);
  return { mesh, field: readFeedField(mesh, measure.volumeMm3, { cellMm: 0.1, medianMm: 0 }) };
}
const rules = (field: ReturnType<typeof read>['field'], gates: Parameters<typeof feedByGates>[1]) =>
  judgeFeed(field.hotSpots, feedByGates(field, gates), gates, field.cellMm).map(
    (j) => `${j.rule} ${j.weight}`,
  );

describe('suggested gates', () => {
  it('are one where one feeds all, and two where a neck freezes first', () => {
    const wide = read(dumbbell(3.2));
    expect(suggestGates(wide.field, wide.mesh)).toHaveLength(1);
    const narrow = read(dumbbell(0.8));
    const gates = suggestGates(narrow.field, narrow.mesh);
    expect(gates).toHaveLength(2);
    expect(feedByGates(narrow.field, gates).map(gradeFeed)).toEqual(['good', 'good']);
    expect(gates.flatMap(({ feeds }) => feeds).sort()).toEqual([0, 1]);
  });
  it('of the school of many lighter ones are one on every mass, each as thick as its own asks', () => {
    const two = read(dumbbell(0.8));
    const gates = suggestGates(two.field, two.mesh, 'one each');
    expect(gates.map(({ feeds }) => feeds)).toEqual([[0], [1]]);
    gates.forEach(({ diameterMm }, n) => {
      const asked = 1.05 * 4.4 * two.field.hotSpots[n]!.modulusMm;
      expect(diameterMm).toBeGreaterThanOrEqual(asked - 1e-9);
      expect(diameterMm).toBeLessThan(asked + 0.21);
    });
    expect(feedByGates(two.field, gates).map(gradeFeed)).toEqual(['good', 'good']);
  });
  it('stand where a saw gets at them, though another place is nearer', () => {
    // A thick block in a well: below it lies the nearest free face, between the walls.
    const { field, mesh } = read(
      together(box([6, 6, 6]), moved(box([8, 8, 1]), [-1, -1, -1.4]), moved(box([8, 1, 8]), [-1, -1.6, -1])),
    );
    const places = readGatePlaces(
      mesh,
      new TriangleTree(mesh.positions, mesh.triangles),
      suggestGates(field, mesh),
    );
    expect(places.every(({ sawn }) => sawn)).toBe(true);
  });
  it('are one for each body', () => {
    const { field, mesh } = read(together(box([4, 4, 4]), moved(box([3, 3, 3]), [9, 0, 0])));
    expect(suggestGates(field, mesh)).toHaveLength(2);
  });
  it('stand on the surface, look outward, and are no thicker than their mass asks', () => {
    const { field, mesh } = read(box([6, 6, 6]));
    const [gate] = suggestGates(field, mesh);
    expect(gate!.at.some((v) => Math.abs(v) < 1e-6 || Math.abs(v - 6) < 1e-6)).toBe(true);
    expect(gate!.normal.reduce((sum, v, k) => sum + v * (gate!.at[k]! - 3), 0)).toBeGreaterThan(0);
    const asked = 1.05 * 4.4 * field.hotSpots[0]!.modulusMm;
    expect(gate!.diameterMm).toBeGreaterThanOrEqual(asked - 1e-9);
    expect(gate!.diameterMm).toBeLessThan(asked + 0.21);
  });
  it('keep off show faces, and are none where all is show', () => {
    const { field, mesh } = read(box([8, 8, 2]));
    const count = mesh.triangles.length / 3;
    const isTop = Uint8Array.from({ length: count }, (_, t) =>
      Number([0, 1, 2].every((k) => mesh.positions[3 * mesh.triangles[3 * t + k]! + 2] === 2)),
    );
    expect(suggestGates(field, mesh, 'fewest', isTop)[0]!.at[2]).toBeLessThan(2 - 1e-6);
    expect(suggestGates(field, mesh, 'fewest', new Uint8Array(count).fill(1))).toEqual([]);
  });
});

describe('what is said of the feed', () => {
  const { field } = read(dumbbell(0.8));
  it('names each mass that starves, with what would feed it; and says ok only when none does', () => {
    expect(rules(field, [])).toEqual(['feed 1 fix', 'feed 2 fix']);
    const one = [{ at: [0, 0, -3] as [number, number, number], diameterMm: 5 }];
    expect(rules(field, one)).toEqual([expect.stringMatching(/^feed 2 (fix|watch)$/)]);
    const two = [...one, { at: [0, 0, 8.5] as [number, number, number], diameterMm: 3.8 }];
    expect(rules(field, two)).toEqual(['feed ok']);
  });
  it('says of a thin gate that it is', () => {
    const gates = [
      { at: [0, 0, -3] as [number, number, number], diameterMm: 5 },
      { at: [0, 0, 8.5] as [number, number, number], diameterMm: 1 },
    ];
    expect(rules(field, gates)).toContain('gate thin 2 watch');
  });
  it('claims nothing for masses that were not followed', () => {
    const masses = Array.from({ length: 24 }, () => field.hotSpots[0]!);
    const fed = masses.map((_, spot) => ({ spot, gate: 0, gateRatio: 2, neckRatio: 1, neck: null }));
    const gates = [{ diameterMm: 3 }];
    expect(judgeFeed(masses, fed, gates, 0.1)[0]!.lead).toContain('smaller ones were not followed');
    expect(judgeFeed(masses.slice(1), fed.slice(0, 23), gates, 0.1)[0]!.lead).toBe('All 23 masses are fed.');
  });
  it('claims nothing of a part without masses', () => {
    expect(judgeFeed([], [], [], 0.1)).toMatchObject([{ rule: 'feed', weight: 'watch' }]);
  });
});
