/**
 * A wrong call: the named argument is outside what the function accepts.
 * Expected outcomes ("does not fit") are values, never this.
 */
export class InputError extends Error {
  constructor(
    readonly argument: string,
    readonly expected: string,
    readonly got: unknown,
  ) {
    super(`${argument}: expected ${expected}, got ${String(got)}`);
    this.name = 'InputError';
  }
}

/** Throws unless `value` is a finite number in [min, max]. */
export function requireNumber(argument: string, value: number, min = -Infinity, max = Infinity): number {
  if (!Number.isFinite(value) || value < min || value > max) {
    throw new InputError(argument, `a number from ${min} to ${max}`, value);
  }
  return value;
}

/** Throws unless `value` is finite and above zero. */
export function requirePositive(argument: string, value: number): number {
  if (!Number.isFinite(value) || value <= 0) throw new InputError(argument, 'a number above 0', value);
  return value;
}
