import { writeBinaryStl } from '@zero-pour/core';
import { box, lathe, moved, sphere, together, torus, type TestMesh } from '../../core/src/testing/solids';

/** Turned so that z is x. */
const alongX = ({ positions, triangles }: TestMesh): TestMesh => ({
  positions: positions.map((_, n) => positions[n - (n % 3) + ((n + 2) % 3)]!),
  triangles,
});
const stlOf = (...bodies: TestMesh[]): Uint8Array => {
  const { positions, triangles } = together(...bodies);
  return writeBinaryStl(positions, triangles);
};

/** A band of 2.4 mm wire with a ball of 6 mm on it, joined by a neck of 1.2 mm that nobody sees. */
export const heavyHeadedBand = (): Uint8Array =>
  stlOf(
    torus(9, 1.2, 96, 32),
    moved(alongX(lathe([[0, 0], [0.6, 0], [0.6, 6.5], [0, 6.5]], 48)), [9.4, 0, 0]), // prettier-ignore
    moved(sphere(3, 4), [17, 0, 0]),
  );

/** A wire of 0.4 × 0.4 mm that runs to and fro from a block of 2 mm, so many times of so many mm. */
export function longWire(runs: number, runMm: number): Uint8Array {
  const pitch = 1.6;
  const across = Array.from({ length: runs }, (_, n) => box([runMm, 0.4, 0.4], [0, n * pitch, 0]));
  const back = Array.from({ length: runs - 1 }, (_, n) =>
    box([0.4, pitch + 0.4, 0.4], [n % 2 === 0 ? runMm - 0.4 : 0, n * pitch, 0]),
  );
  return stlOf(box([2.2, 2, 2], [-2, -0.8, -0.8]), ...across, ...back);
}
