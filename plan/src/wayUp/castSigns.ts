import { FILL_LIMITS, quantity, say, sign, type Evidence } from '@zero-pour/core';
import { judgedSigns, worstOf } from '../result/judgedSigns';
import type { FlawedPieces } from '../result/flawedPieces';
import { nameOfPart } from '../pieces';
import type { Sight } from '../stage';
import type { PartGates } from './gatePlan';

const OF_GATES = { 'gate thin': 'gate thin', feed: 'fed badly', carry: 'joint in doubt' } as const;
/** A joint without at least so much of its diameter as fillet is sharp (handbook 05). */
const FILLET_OF_DIAMETER = 0.25;

/** Joints of gates that have a place: the least rounded one speaks. */
function jointSign({ placed }: PartGates, name: string): Evidence {
  const own = placed.filter(({ set }) => set !== undefined);
  if (own.length === 0) return {};
  const least = own.reduce((a, b) => (a.flareMm / a.diameterMm <= b.flareMm / b.diameterMm ? a : b));
  const isSharp = least.flareMm < FILLET_OF_DIAMETER * least.diameterMm - 1e-9;
  return {
    'sharp joint': sign(
      isSharp,
      say`${name}: a fillet of ${quantity(least.flareMm, 'mm', 1)} on a gate of ${quantity(least.diameterMm, 'mm', 1)}; a quarter of it is wanted.`,
    ),
  };
}

/** What gates say of castings of these parts: of feed and fill only where they were followed. */
export function wayUpCastSigns({ context, of }: Sight, { lines }: FlawedPieces): Evidence {
  return worstOf(
    of('wayUp')
      .filter(({ part }) => lines.includes(part.key))
      .map((gates): Evidence => {
        const name = nameOfPart(gates.part, context.parts);
        const margin = gates.fill.reading?.last.margin;
        return {
          ...judgedSigns(OF_GATES, gates.judgements),
          ...jointSign(gates, name),
          ...(margin === undefined
            ? {}
            : {
                'fill margin low': sign(
                  margin < FILL_LIMITS.good,
                  say`${name}: ${quantity(margin, 'ratio', 1)} times the time that it needs where it fills last; ${quantity(FILL_LIMITS.good, 'ratio', 1)} wanted.`,
                ),
              }),
        };
      }),
  );
}
