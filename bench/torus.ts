import { writeBinaryStl } from '@zero-pour/core';

/** A 25 mm torus with about `wanted` triangles, as binary STL. */
export function torusStl(wanted: number): Uint8Array {
  const nv = Math.round(Math.sqrt(wanted / 2 / 4));
  const nu = nv * 4;
  const positions = new Float64Array(nu * nv * 3);
  for (let i = 0; i < nu; i++) {
    for (let j = 0; j < nv; j++) {
      const [a, b] = [(2 * Math.PI * i) / nu, (2 * Math.PI * j) / nv];
      const r = 10 + 2.5 * Math.cos(b);
      positions.set([r * Math.cos(a), r * Math.sin(a), 2.5 * Math.sin(b)], (i * nv + j) * 3);
    }
  }
  const triangles = new Uint32Array(nu * nv * 6);
  const at = (i: number, j: number): number => (i % nu) * nv + (j % nv);
  for (let i = 0, n = 0; i < nu; i++) {
    for (let j = 0; j < nv; j++, n += 6) {
      triangles.set([at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j), at(i + 1, j + 1), at(i, j + 1)], n);
    }
  }
  return writeBinaryStl(positions, triangles);
}
