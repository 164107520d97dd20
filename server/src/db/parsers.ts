const NUMERIC = 1700;
const INT8 = 20;

/** Both databases hand these out as text: numerics of this application (mm, g, money) and its counts fit a double. */
export const PARSERS: Readonly<Record<number, (text: string) => number>> = {
  [NUMERIC]: Number,
  [INT8]: Number,
};
