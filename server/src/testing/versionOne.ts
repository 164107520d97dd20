import { readFileSync } from 'node:fs';

interface VersionOnePour {
  id: string;
  number: number;
  doc: Record<string, unknown> & { brief: Record<string, unknown> };
}

/** Every pour of a version 1 shop, as it was released. */
export const releasedPours = (): VersionOnePour[] =>
  JSON.parse(
    readFileSync(new URL('../../../contracts/fixtures/pours-v1.json', import.meta.url), 'utf8'),
  ) as VersionOnePour[];

/** A version 1 document with nothing of a shop in it: no thing is named, nothing happened. */
export function versionOne(): VersionOnePour['doc'] {
  const { doc } = releasedPours()[0]!;
  const { alloyId: _, ...brief } = doc.brief;
  return {
    ...doc,
    brief: { ...brief, patterns: [] },
    resin: {},
    wayUp: { rotations: {}, gates: {} },
    print: { spares: 0, pieces: {} },
    clean: { steps: {} },
    sprue: {
      arrangement: 'straight',
      tiltDeg: 45,
      mainSprueDiameterMm: 6,
      mainSprueLengthMm: 12,
      weighBy: 'volume',
    },
    invest: { boric: { school: 'none', percent: 1 }, steps: {} },
    burnout: { hands: {} },
    pour: {},
    result: { castings: {} },
  };
}
