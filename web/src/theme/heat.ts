/** The one ramp for temperatures: cold grey → dull red → cherry → orange → straw. °C and sRGB. */
const STOPS: readonly (readonly [number, readonly [number, number, number]])[] = [
  [20, [150, 160, 165]],
  [180, [128, 118, 112]],
  [380, [110, 42, 30]],
  [520, [160, 36, 24]],
  [640, [205, 66, 26]],
  [740, [238, 128, 40]],
  [900, [250, 196, 80]],
];

/** Colour of hot steel at a temperature; always shown with its number. */
export function heatColour(tempC: number): string {
  const after = STOPS.findIndex(([at]) => at >= tempC);
  if (after < 0) return rgb(STOPS.at(-1)![1]);
  if (after === 0) return rgb(STOPS[0]![1]);
  const [low, from] = STOPS[after - 1]!;
  const [high, to] = STOPS[after]!;
  const share = (tempC - low) / (high - low);
  return rgb(from.map((v, k) => Math.round(v + (to[k]! - v) * share)));
}

const rgb = (channels: readonly number[]): string => `rgb(${channels.join(', ')})`;
