import { branchAxis, branchesOf, type TreeSprue } from './branches';
import { bareAxis, gapOf, gapToSprue, hang, sprueAxis } from './clearOf';
import type { FlaskRoom, HungPiece } from './hangTree';
import { reachOf, type HungShape } from './hungShape';

/** How near what hangs in a flask comes to what, mm; negative: it stands out. */
export interface HungClearance {
  wallMm: number;
  topMm: number;
  /** Of the lowest over the top of the base's cone. */
  baseMm: number;
  /** Narrowest of a part to the main sprue or a branch; null where there is none. */
  sprueMm: number | null;
  /** Pairs nearer than LOOKED_WITHIN_MM, the narrowest first: places in the list of pieces. */
  pairs: { a: number; b: number; gapMm: number }[];
}

/** Gaps wider than this are not told. */
export const LOOKED_WITHIN_MM = 8;
const PAIRS_MOST = 60;

/** Bars that the parts hang on, as axes with their radii. */
function barsOf(pieces: readonly HungPiece[], { coneHeightMm }: FlaskRoom, sprue: TreeSprue) {
  const { diameterMm, lengthMm, branchDiameterMm = 0 } = sprue;
  const branches = branchesOf(pieces, branchDiameterMm);
  return {
    branches,
    axes: [
      { axis: sprueAxis(0, coneHeightMm + lengthMm), radiusMm: diameterMm / 2 },
      ...branches.map((branch) => ({
        axis: bareAxis(...branchAxis(branch, branchDiameterMm)),
        radiusMm: branchDiameterMm / 2,
      })),
    ],
  };
}

/** Measures every gap of what hangs, exactly. `sprue`: null where all stand on the base. */
export function measureHung(
  shapes: readonly HungShape[],
  pieces: readonly HungPiece[],
  room: FlaskRoom,
  sprue: TreeSprue | null,
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
  const bars = sprue && barsOf(pieces, room, sprue);
  const branches = bars?.branches ?? [];
  const under = branches.map(({ heightMm }) => heightMm - (sprue!.branchDiameterMm ?? 0));
  const toBars = hung.flatMap((one) =>
    (bars?.axes ?? []).map(({ axis, radiusMm }) => gapToSprue(one, axis, radiusMm, LOOKED_WITHIN_MM)),
  );
  const reach = Math.max(0, ...reaches.map(({ reachMm }) => reachMm), ...branches.map((b) => b.reachMm));
  const lowest = Math.min(room.heightMm, ...reaches.map(({ lowestMm }) => lowestMm), ...under);
  return {
    wallMm: room.innerDiameterMm / 2 - reach,
    topMm: room.heightMm - Math.max(0, ...reaches.map(({ highestMm }) => highestMm)),
    baseMm: lowest - room.coneHeightMm,
    sprueMm: bars ? Math.min(LOOKED_WITHIN_MM, ...toBars) : null,
    pairs: pairs.slice(0, PAIRS_MOST),
  };
}
