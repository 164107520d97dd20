/** A turn and a shift: there = turn · here + at. The turn is 3 × 3, row by row, without stretch. */
export interface Pose {
  turn: readonly number[];
  at: readonly [number, number, number];
}

type Vec = readonly [number, number, number];

/** Where a part hangs: its gate begins at this angle round the flask's axis, so far from it and above the base. */
export interface Hanging {
  angleDeg: number;
  awayMm: number;
  heightMm: number;
  /** Upward from level; 90 stands straight up. */
  tiltDeg: number;
  /** Turned about its gate. */
  spinDeg: number;
}

/** The gate that a part hangs by, in its own axes: place on the surface, direction out of the part, length. mm. */
export interface HangingGate {
  at: Vec;
  normal: Vec;
  lengthMm: number;
}

const DEG = Math.PI / 180;
const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const unit = (a: Vec): Vec => {
  const length = Math.hypot(...a) || 1;
  return [a[0] / length, a[1] / length, a[2] / length];
};

/** Two directions that make a right-handed frame with `along`. */
export function frameRoundAxis(along: Vec): [Vec, Vec] {
  const least = along.map(Math.abs).indexOf(Math.min(...along.map(Math.abs)));
  const other: Vec = [Number(least === 0), Number(least === 1), Number(least === 2)];
  const first = unit(cross(along, other));
  return [first, cross(along, first)];
}

/** The part as it hangs: its own axes into the flask's, base at z = 0. */
export function hangingPose(gate: HangingGate, hanging: Hanging): Pose {
  const { angleDeg, tiltDeg, spinDeg, awayMm, heightMm } = hanging;
  const [ca, sa] = [Math.cos(angleDeg * DEG), Math.sin(angleDeg * DEG)];
  const [ct, st] = [Math.cos(tiltDeg * DEG), Math.sin(tiltDeg * DEG)];
  // Into the part, along its gate: in its own axes and in the flask's; and what is across it in both.
  const own = unit([-gate.normal[0], -gate.normal[1], -gate.normal[2]]);
  const [own1, own2] = frameRoundAxis(own);
  const out: Vec = [ct * ca, ct * sa, st];
  const side: Vec = [-sa, ca, 0];
  const up = cross(out, side);
  const [cs, ss] = [Math.cos(spinDeg * DEG), Math.sin(spinDeg * DEG)];
  const out1: Vec = [0, 1, 2].map((k) => cs * side[k]! + ss * up[k]!) as unknown as Vec;
  const out2: Vec = [0, 1, 2].map((k) => cs * up[k]! - ss * side[k]!) as unknown as Vec;
  const turn = Array.from({ length: 9 }, (_, n) => {
    const [r, c] = [Math.floor(n / 3), n % 3];
    return out[r]! * own[c]! + out1[r]! * own1[c]! + out2[r]! * own2[c]!;
  });
  const root: Vec = [awayMm * ca, awayMm * sa, heightMm];
  const foot = turned(turn, gate.at);
  return {
    turn,
    at: [0, 1, 2].map((k) => root[k]! + gate.lengthMm * out[k]! - foot[k]!) as [number, number, number],
  };
}

const turned = (m: readonly number[], p: Vec): Vec => [
  m[0]! * p[0] + m[1]! * p[1] + m[2]! * p[2],
  m[3]! * p[0] + m[4]! * p[1] + m[5]! * p[2],
  m[6]! * p[0] + m[7]! * p[1] + m[8]! * p[2],
];

export const posed = ({ turn, at }: Pose, p: Vec): Vec => {
  const t = turned(turn, p);
  return [t[0] + at[0], t[1] + at[1], t[2] + at[2]];
};

/** The pose that brings places of `b` into the axes of `a`: a⁻¹ · b. */
export function between(a: Pose, b: Pose): Pose {
  const turn = Array.from({ length: 9 }, (_, n) => {
    const [r, c] = [Math.floor(n / 3), n % 3];
    return a.turn[r]! * b.turn[c]! + a.turn[3 + r]! * b.turn[3 + c]! + a.turn[6 + r]! * b.turn[6 + c]!;
  });
  const d: Vec = [b.at[0] - a.at[0], b.at[1] - a.at[1], b.at[2] - a.at[2]];
  const at = [0, 1, 2].map((r) => a.turn[r]! * d[0] + a.turn[3 + r]! * d[1] + a.turn[6 + r]! * d[2]);
  return { turn, at: at as [number, number, number] };
}
