import { hang, isNearer } from './clearOf';
import type { FlaskRoom, HangGaps, HungPiece, HungTree, Miss } from './hangTree';
import { reachOf, type HungShape } from './hungShape';
import { leastClear, SPINS_DEG } from './leastClear';
import { STRAIGHT_MAX } from './treeLayout';

const AWAY_STEP_MM = 0.25;

/**
 * Hangs up to four straight up on the base, on a circle as small as the gaps allow; one stands in the middle. `sprueMm`: from the
 * cone's top to their gates. More than four, or what does not fit, is left over.
 */
export function hangStraight(
  shapes: readonly HungShape[],
  counts: readonly number[],
  room: FlaskRoom,
  { gaps, sprueMm }: { gaps: HangGaps; sprueMm: number },
): HungTree {
  const kinds = counts.flatMap((count, kind) => Array.from({ length: count }, () => kind));
  const stands = kinds.slice(0, STRAIGHT_MAX);
  let best: HungPiece[] | undefined;
  let miss: Miss = { what: 'wall', mm: Infinity };
  for (const spinDeg of SPINS_DEG) {
    const on = (awayMm: number): HungPiece[] =>
      stands.map((kind, n) => ({
        kind,
        angleDeg: (360 * n) / stands.length,
        awayMm,
        heightMm: room.coneHeightMm + sprueMm,
        tiltDeg: 90,
        spinDeg,
      }));
    const pieces = on(
      leastClear(0, room.innerDiameterMm, AWAY_STEP_MM, (away) =>
        isClear(shapes, on(away), gaps.betweenMm),
      ) ?? room.innerDiameterMm,
    );
    const short = missOf(shapes, pieces, room, gaps);
    if (short.mm > 0) {
      if (short.mm < miss.mm) miss = short;
    } else if (!best || pieces[0]!.awayMm < best[0]!.awayMm) best = pieces;
  }
  const left = [...counts];
  for (const { kind } of best ?? []) left[kind]!--;
  const cannot = counts.map((count): Miss | null =>
    count > 0 && !best && stands.length === 1 ? miss : null,
  );
  return { pieces: best ?? [], left, mainSprueMm: best ? sprueMm : 0, miss: best ? null : miss, cannot };
}

function isClear(shapes: readonly HungShape[], pieces: readonly HungPiece[], gapMm: number): boolean {
  const hung = pieces.map((piece) => hang(shapes[piece.kind]!, piece));
  return hung.every((one, n) => hung.slice(n + 1).every((other) => !isNearer(one, other, gapMm)));
}

/** What is most in the way of pieces in a flask; under 0 there is room. */
function missOf(
  shapes: readonly HungShape[],
  pieces: readonly HungPiece[],
  room: FlaskRoom,
  gaps: HangGaps,
): Miss {
  const reaches = pieces.map((piece) => reachOf(shapes[piece.kind]!, piece));
  const wall = Math.max(...reaches.map(({ reachMm }) => reachMm)) + gaps.wallMm - room.innerDiameterMm / 2;
  const top = Math.max(...reaches.map(({ highestMm }) => highestMm)) + gaps.topMm - room.heightMm;
  return wall >= top ? { what: 'wall', mm: wall } : { what: 'top', mm: top };
}
