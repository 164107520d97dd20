import { writeBinaryStl } from '@zero-pour/core';

/** Corners and faces of a body. */
export interface Body {
  positions: number[];
  triangles: number[];
}

/** A box with its least corner there. mm. */
export function block([x, y, z]: number[], [dx, dy, dz]: number[]): Body {
  const positions: number[] = [];
  for (let i = 0; i < 8; i++)
    positions.push(x! + (i & 1 ? dx! : 0), y! + (i & 2 ? dy! : 0), z! + (i & 4 ? dz! : 0));
  const triangles = [0, 2, 1, 1, 2, 3, 4, 5, 6, 5, 7, 6, 0, 1, 4, 1, 5, 4, 2, 6, 3, 3, 6, 7, 0, 4, 2, 2, 4, 6, 1, 3, 5, 3, 7, 5]; // prettier-ignore
  return { positions, triangles };
}

/** A round body about z: `outline` as [radius, height] from its lowest point on the axis to its highest. */
export function round(outline: readonly (readonly [number, number])[], sides = 48): Body {
  const inner = outline.slice(1, -1);
  const positions = [0, 0, outline[0]![1], 0, 0, outline.at(-1)![1]];
  for (const [r, z] of inner)
    for (let n = 0; n < sides; n++) {
      const a = (2 * Math.PI * n) / sides;
      positions.push(r * Math.cos(a), r * Math.sin(a), z);
    }
  const at = (ring: number, n: number): number => 2 + ring * sides + (n % sides);
  const triangles: number[] = [];
  for (let n = 0; n < sides; n++) {
    triangles.push(0, at(0, n + 1), at(0, n));
    for (let ring = 0; ring + 1 < inner.length; ring++)
      triangles.push(at(ring, n), at(ring, n + 1), at(ring + 1, n + 1), at(ring, n), at(ring + 1, n + 1), at(ring + 1, n)); // prettier-ignore
    triangles.push(1, at(inner.length - 1, n), at(inner.length - 1, n + 1));
  }
  return { positions, triangles };
}

/** A ring about z: round wire of this radius, its middle this far from the axis. */
export function ring(major: number, minor: number, around = 96, across = 32): Body {
  const positions: number[] = [];
  for (let i = 0; i < around; i++)
    for (let j = 0; j < across; j++) {
      const [a, b] = [(2 * Math.PI * i) / around, (2 * Math.PI * j) / across];
      const r = major + minor * Math.cos(b);
      positions.push(r * Math.cos(a), r * Math.sin(a), minor * Math.sin(b));
    }
  const at = (i: number, j: number): number => (i % around) * across + (j % across);
  const triangles: number[] = [];
  for (let i = 0; i < around; i++)
    for (let j = 0; j < across; j++)
      triangles.push(at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j), at(i + 1, j + 1), at(i, j + 1));
  return { positions, triangles };
}

/** Turned so that z is x, and moved along it. */
export const alongX = ({ positions, triangles }: Body, by: number): Body => ({
  positions: positions.map((_, n) => {
    const [x, y, z] = [positions[n - (n % 3)]!, positions[n - (n % 3) + 1]!, positions[n - (n % 3) + 2]!];
    return [z + by, x, y][n % 3]!;
  }),
  triangles,
});

/** Several bodies in one file, in each other where they meet. */
export function stlOf(...bodies: readonly Body[]): Uint8Array {
  const positions: number[] = [];
  const triangles: number[] = [];
  for (const body of bodies) {
    triangles.push(...body.triangles.map((v) => v + positions.length / 3));
    positions.push(...body.positions);
  }
  return writeBinaryStl(positions, triangles);
}

const ball = (radius: number, steps = 24): [number, number][] =>
  Array.from({ length: steps + 1 }, (_, n) => {
    const a = (Math.PI * n) / steps;
    return [radius * Math.sin(a), -radius * Math.cos(a)];
  });

/** A band of 2.4 mm wire with a ball of 6 mm on it, joined by a neck of 1.2 mm that nobody sees. */
export const heavyHeadedBand = (): Uint8Array =>
  stlOf(
    ring(9, 1.2),
    alongX(round([[0, 0], [0.6, 0], [0.6, 6.5], [0, 6.5]]), 9.4), // prettier-ignore
    alongX(round(ball(3)), 17),
  );

/** A wire of 0.4 × 0.4 mm that runs to and fro from a block of 2 mm, so many times of so many mm. */
export function longWire(runs: number, runMm: number): Uint8Array {
  const bodies = [block([-2, -0.8, -0.8], [2.2, 2, 2])];
  const pitch = 1.6;
  for (let n = 0; n < runs; n++) {
    bodies.push(block([0, n * pitch, 0], [runMm, 0.4, 0.4]));
    if (n + 1 < runs)
      bodies.push(block([n % 2 === 0 ? runMm - 0.4 : 0, n * pitch, 0], [0.4, pitch + 0.4, 0.4]));
  }
  return stlOf(...bodies);
}
