type Pull = [number, number, number];

/** Pulls along the file’s own axes. */
export const PULLS: { key: 'x' | 'y' | 'z'; name: string; pull: Pull }[] = [
  { key: 'x', name: 'along x', pull: [1, 0, 0] },
  { key: 'y', name: 'along y', pull: [0, 1, 0] },
  { key: 'z', name: 'along z', pull: [0, 0, 1] },
];

/** The axis that a pull runs along; undefined where it runs along none. */
export const pullName = (pull: readonly number[] | null): 'x' | 'y' | 'z' | undefined =>
  PULLS.find((one) => pull && Math.abs(one.pull.reduce((sum, v, k) => sum + v * pull[k]!, 0)) > 0.99999)?.key;
