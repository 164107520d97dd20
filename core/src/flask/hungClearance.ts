import { gapOf, gapToSprue, hang, sprueAxis } from './clearOf';
import type { FlaskRoom, HungPiece } from './hangTree';
import { reachOf, type HungShape } from './hungShape';

/** How near what hangs in a flask comes to what, mm; negative: it stands out. */
export interface HungClearance {
  wallMm: number;
  topMm: number;
  /** Of the lowest over the top of the base's cone. */
  baseMm: number;
  /** Narrowest of a part to the main sprue; null where there is none. */
  sprueMm: number | null;
  /** Pairs nearer than LOOKED_WITHIN_MM, the narrowest first: places in the list of pieces. */
  pairs: { a: number; b: number; gapMm: number }[];
}

/** Gaps wider than this are not told. */
export const LOOKED_WITHIN_MM = 8;
const PAIRS_MOST = 60;

/** Measures every gap of what hangs, exactly. `sprue`: null where all stand on the base. */
export function measureHung(
  shapes: readonly HungShape[],
  pieces: readonly HungPiece[],
  room: FlaskRoom,
  sprue: { diameterMm: number; lengthMm: number } | null,
): HungClearance {
  const hung = pieces.map((piece) => hang(shapes[piece.kind]!, piece));
  const reaches = pieces.map((piece) => reachOf(shapes[piece.kind]!, piece));
  const pairs: HungClearance['pairs'] = [];
  for (let a = 0; a < hung.length; a++)
    for (let b = a + 1; b < hung.length; b++) {
      const gapMm = gapOf(hung[a]!, hung[b]!, LOOKED_WITHIN_MM);
      if (gapMm < LOOKED_WITHIN_MM) pairs.push({ a, b, gapMm });
    }
  pairs.sort((p, q) => p.gapMm - q.gapMm);
  const axis = sprue && sprueAxis(0, room.coneHeightMm + sprue.lengthMm);
  const toSprue = hung.map((one) =>
    axis ? gapToSprue(one, axis, sprue.diameterMm / 2, LOOKED_WITHIN_MM) : Infinity,
  );
  return {
    wallMm: room.innerDiameterMm / 2 - Math.max(0, ...reaches.map(({ reachMm }) => reachMm)),
    topMm: room.heightMm - Math.max(0, ...reaches.map(({ highestMm }) => highestMm)),
    baseMm: Math.min(room.heightMm, ...reaches.map(({ lowestMm }) => lowestMm)) - room.coneHeightMm,
    sprueMm: axis ? Math.min(LOOKED_WITHIN_MM, ...toSprue) : null,
    pairs: pairs.slice(0, PAIRS_MOST),
  };
}
