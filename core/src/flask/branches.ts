import type { HungPiece } from './hangTree';

/** Main sprue of a tree, from the cone's top; where parts stand on branches, how thick these are. mm. */
export interface TreeSprue {
  diameterMm: number;
  lengthMm: number;
  branchDiameterMm?: number | undefined;
}

/** A level arm off the main sprue, with what stands on its upper side. */
export interface Branch {
  angleDeg: number;
  /** Of its upper side, where parts are joined. */
  heightMm: number;
  /** From the flask's axis to its end. */
  reachMm: number;
  /** Places in the list of pieces, from the sprue outward. */
  pieces: number[];
}

/** The branch that a piece stands on, by name: what is joined at one height in one direction shares it. */
const nameOf = ({ angleDeg, heightMm }: HungPiece): string => {
  const round = ((angleDeg % 360) + 360) % 360;
  return `${(Math.round(100 * round) / 100) % 360} ${heightMm.toFixed(2)}`;
};

/** Branches of what hangs; each ends half its thickness beyond its last part. */
export function branchesOf(pieces: readonly HungPiece[], branchDiameterMm: number): Branch[] {
  const found = new Map<string, Branch>();
  for (const [n, piece] of pieces.entries()) {
    if (!piece.onBranch) continue;
    const { angleDeg, heightMm, awayMm } = piece;
    const name = nameOf(piece);
    const branch = found.get(name) ?? { angleDeg, heightMm, reachMm: 0, pieces: [] };
    found.set(name, branch);
    branch.pieces.push(n);
    branch.reachMm = Math.max(branch.reachMm, awayMm + branchDiameterMm / 2);
  }
  for (const branch of found.values()) branch.pieces.sort((a, b) => pieces[a]!.awayMm - pieces[b]!.awayMm);
  return [...found.values()];
}

/** Ends of a branch's axis, from the flask's axis outward. mm. */
export function branchAxis(
  { angleDeg, heightMm, reachMm }: Pick<Branch, 'angleDeg' | 'heightMm' | 'reachMm'>,
  branchDiameterMm: number,
): [[number, number, number], [number, number, number]] {
  const turn = (angleDeg * Math.PI) / 180;
  const z = heightMm - branchDiameterMm / 2;
  return [
    [0, 0, z],
    [reachMm * Math.cos(turn), reachMm * Math.sin(turn), z],
  ];
}

/** Wax of the branches outside the main sprue, mm of their length in all. */
export const branchLengthMm = (
  pieces: readonly HungPiece[],
  { diameterMm, branchDiameterMm = 0 }: Pick<TreeSprue, 'diameterMm' | 'branchDiameterMm'>,
): number =>
  branchesOf(pieces, branchDiameterMm).reduce(
    (sum, { reachMm }) => sum + Math.max(0, reachMm - diameterMm / 2),
    0,
  );
