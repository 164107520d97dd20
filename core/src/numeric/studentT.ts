import { betaBelow } from './betaShare';
import { requireNumber, requirePositive } from './inputError';

/** Share of Student's t with `dof` degrees of freedom below x: 1 − ½·I(ν/(ν + x²); ν/2, ½) for x ≥ 0. */
export function tBelow(x: number, dof: number): number {
  requirePositive('dof', dof);
  const tail = 0.5 * betaBelow(dof / (dof + x * x), dof / 2, 0.5);
  return x >= 0 ? 1 - tail : tail;
}

/** The x below which a share of Student's t lies; by halving, to twelve digits. */
export function tQuantile(share: number, dof: number): number {
  requireNumber('share', share, 1e-9, 1 - 1e-9);
  let [low, high] = [-1, 1];
  while (tBelow(high, dof) < share) high *= 2;
  while (tBelow(low, dof) > share) low *= 2;
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (tBelow(middle, dof) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
