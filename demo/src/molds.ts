import { emptyMold, type Mold, type MoldTest, type Pattern } from '@zero-pour/contracts';
import type { WaxFaultKey } from '@zero-pour/core';
import { demoId } from './demoId';

const DAY_MS = 24 * 3600_000;

/** Shots of the escutcheon's mold: days ago, waxes, good ones, what was wrong. */
const SHOTS: readonly [number, number, number, WaxFaultKey[]][] = [
  [41, 4, 2, ['short']],
  [41, 6, 5, ['bubble']],
  [27, 8, 8, []],
  [12, 8, 7, ['flash']],
  [12, 6, 6, []],
];

/** Molds of Gannet Yard, and how silicone took to its resins. */
export function demoMolds(patterns: readonly Pattern[], now: Date): { mold: Mold[]; moldTest: MoldTest[] } {
  const ago = (days: number): string => new Date(now.getTime() - days * DAY_MS).toISOString();
  const escutcheon = patterns.find(({ name }) => name === 'Oarlock escutcheon');
  const resinId = demoId('Basalt Master');
  return {
    mold: [
      {
        ...emptyMold(1),
        id: demoId('mold 1'),
        name: 'Oarlock escutcheon, rubber',
        state: 'good',
        patternId: escutcheon?.id ?? null,
        resinId,
        scalePercent: 103.2,
        master: { sprued: true, sanded: true, cured: true },
        steps: Object.fromEntries(
          ['clean', 'pack', 'press', 'cool', 'cut', 'check', 'first'].map((key) => [
            key,
            { doneAt: ago(43) },
          ]),
        ),
        wax: { usualC: 68, usualKpa: 55, restMin: 1.5, pieceG: 2.5 },
        shots: SHOTS.map(([days, waxes, good, flaws], n) => ({
          key: `s${n + 1}`,
          at: ago(days),
          waxes,
          good,
          flaws,
          waxC: n === 0 ? 63 : 68,
          pressureKpa: n === 3 ? 70 : 55,
          restMin: 1.5,
        })),
        place: 'Drawer under the injector',
      },
    ],
    moldTest: [
      {
        id: demoId('silicone spot'),
        resinId,
        kind: 'silicone',
        product: 'Clear platinum silicone',
        coat: '',
        result: 'sticky',
        at: ago(60),
        note: 'Tacky wherever it touched the print.',
      },
      {
        id: demoId('silicone spot, coated'),
        resinId,
        kind: 'silicone',
        product: 'Clear platinum silicone',
        coat: 'two coats of acrylic lacquer',
        result: 'clean',
        at: ago(58),
        note: '',
      },
    ],
  };
}
