import type { PouredPrint, PourGate } from '@zero-pour/contracts';

/** How a pattern was gated in an earlier pour, and what came of it. */
export interface GatesBefore {
  number: number;
  gates: PourGate[];
  /** Castings of the line whose outcome is known, and how many of them were good. */
  looked: number;
  good: number;
}

/** Earlier pours of a pattern whose gates had places, the newest first; pieces of other lines do not count. */
export function gatesBefore(
  prints: readonly PouredPrint[],
  patternId: string,
  butPourId: string | undefined,
): GatesBefore[] {
  return prints
    .filter(({ pourId }) => pourId !== butPourId)
    .flatMap(({ number, lines, gates, outcomes }) =>
      lines.flatMap(({ key, patternId: of }) => {
        const placed = of === patternId ? gates?.[key] : undefined;
        if (!placed || placed.length === 0) return [];
        const known = Object.entries(outcomes).filter(([piece]) => piece.startsWith(`${key}/`));
        const good = known.filter(([, outcome]) => outcome === 'sellable').length;
        return [{ number, gates: placed, looked: known.length, good }];
      }),
    )
    .sort((a, b) => b.number - a.number);
}
