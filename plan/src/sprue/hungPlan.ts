import { USUAL_BRANCH_MM, type HungAt, type PieceKey } from '@zero-pour/contracts';
import {
  CLEARANCE_MM,
  judgeHung,
  judgeHungAir,
  judgeBranch,
  judgeMainSprue,
  NO_ROTATION,
  quantity,
  rotationMatrix,
  say,
  type FlaskRoom,
  type HangGaps,
  type HungClearance,
  type Judgement,
  type Rotation,
} from '@zero-pour/core';
import {
  airJob,
  hungJob,
  partOf,
  type AirAnswer,
  type AirInput,
  type HangingPart,
  type HungInput,
} from '@zero-pour/jobs';
import type { FlaskContext, PourContext } from '../context';
import type { Part } from '../part';
import { nameOfPart } from '../pieces';
import type { PartGates } from '../wayUp/gatePlan';

/** One part as some pieces of it stand on their gates. */
export interface PartAir {
  name: string;
  /** Keys of the pieces that stand so. */
  pieces: PieceKey[];
  wish: AirInput;
  answer: AirAnswer | undefined;
}

/** A tree that hangs by its real shapes. */
export interface RealTree {
  /** Pieces in the order of the places. */
  pieces: readonly { key: PieceKey; name: string }[];
  wish: HungInput;
  clearance: HungClearance | undefined;
  /** Air and crumbs of each part, for each way that it stands on its gate. */
  airs: PartAir[];
  judgements: Judgement[];
}

/** Investment that is wanted round what hangs. */
export const gapsOf = ({ doc }: Pick<PourContext, 'doc'>): HangGaps => ({
  wallMm: CLEARANCE_MM.wall,
  topMm: CLEARANCE_MM.top,
  betweenMm: doc.brief.castClass === 'heavy' ? CLEARANCE_MM.betweenHeavy : CLEARANCE_MM.between,
  sprueMm: CLEARANCE_MM.sprue,
});

export const roomOf = ({ innerDiameterMm, heightMm, coneHeightMm }: FlaskRoom): FlaskRoom => ({
  innerDiameterMm,
  heightMm,
  coneHeightMm,
});

/** Thickness of a tree's branches. */
export const branchMm = ({ branchDiameterMm }: { branchDiameterMm?: number | undefined }): number =>
  branchDiameterMm ?? USUAL_BRANCH_MM;

/** Turns that bring an axis of the file upright, along the gate. */
export const ALONG: Record<'x' | 'y' | 'z', Rotation> = {
  x: { xDeg: 0, yDeg: -90, zDeg: 0 },
  y: { xDeg: 90, yDeg: 0, zDeg: 0 },
  z: NO_ROTATION,
};

/** Straight down from a part as it is turned, in the part's own axes: where a gate without a place leaves it. */
function downFrom(rotation: Rotation): [number, number, number] {
  const m = rotationMatrix(rotation);
  return [0 - m[6]!, 0 - m[7]!, 0 - m[8]!];
}

function gateOf({ decided }: FlaskContext, { part, gates, placed: [first] }: PartGates): HangingPart['gate'] {
  const hangs = decided.sprue.hangs ?? 'as printed';
  if (first?.set) {
    const { at, direction: normal, lengthMm, diameterMm } = first;
    return { at, normal, lengthMm, diameterMm };
  }
  // The file's sprue is a gate already: it is joined at its end.
  if (first) return { at: null, normal: first.direction, lengthMm: 0, diameterMm: first.diameterMm };
  const normal = downFrom(hangs === 'as printed' ? part.rotation : ALONG[hangs]);
  return { at: null, normal, lengthMm: gates.lengthMm, diameterMm: Math.max(0.1, gates.diameterMm) };
}

/** The parts that hang in a flask, as the jobs take them. `scale`: how much larger they are printed than drawn. */
export const hangingParts = (hung: FlaskContext, gates: readonly PartGates[], scale: number): HangingPart[] =>
  gates.map((of) => ({
    part: partOf(of.part.pattern),
    scale,
    volumeMm3: of.part.pattern.measure.volumeMm3,
    gate: gateOf(hung, of),
  }));

/** Which of the parts a piece is one of; −1 for one of none. */
const kindOf = (gates: readonly PartGates[], line: string): number =>
  gates.findIndex(({ part }: { part: Part }) => part.key === line);

function missingPlaces(count: number): Judgement[] {
  if (count === 0) return [];
  return [
    {
      rule: 'no place',
      weight: 'fix',
      lead:
        count === 1 ? 'One piece has no place on the tree.' : `${count} pieces have no place on the tree.`,
      why: say`They found no room, or came after it was hung. Hang them anew, or share them out over more flasks.`,
    },
  ];
}

/** Pieces that stand alike on the same gate, together. */
function airsOf(
  context: PourContext,
  gates: readonly PartGates[],
  { parts, pieces }: HungInput,
  keys: readonly PieceKey[],
): PartAir[] {
  const found = new Map<string, PartAir>();
  for (const [n, { kind, tiltDeg, spinDeg }] of pieces.entries()) {
    const text = `${kind} ${tiltDeg} ${spinDeg}`;
    const before = found.get(text);
    if (before) {
      before.pieces.push(keys[n]!);
      continue;
    }
    const { part, gate } = parts[kind]!;
    const wish = { part, normal: gate.normal, tiltDeg, spinDeg };
    const reading = context.readings.of(airJob, wish);
    const answer = reading.status === 'known' ? reading.value : undefined;
    const name = nameOfPart(gates[kind]!.part, context.parts);
    found.set(text, { name, pieces: [keys[n]!], wish, answer });
  }
  return [...found.values()];
}

const AIR_UNREAD: Judgement = {
  rule: 'air',
  weight: 'watch',
  lead: 'Whether air leaves is not read yet.',
  why: say`Until it is, nothing is said of bubbles and crumbs.`,
};

/** The tree as it was hung; undefined where it was not, or nothing of it is here any more. */
export function planHung(
  context: PourContext,
  hung: FlaskContext,
  gates: readonly PartGates[],
  scale: number,
): RealTree | undefined {
  const { flask, pieces, decided } = hung;
  const places = decided.sprue.hung;
  if (!flask || !places || gates.length === 0) return undefined;
  const byKey = new Map<string, HungAt>(places.map((place) => [place.key, place]));
  const here = pieces.filter(({ key, line }) => byKey.has(key) && kindOf(gates, line) >= 0);
  if (here.length === 0) return undefined;
  // As it hangs, whatever the form was set to since: only what stands straight up on the base needs no main sprue.
  const arms = here.some(({ key }) => byKey.get(key)!.onBranch);
  const stands = !arms && here.every(({ key }) => byKey.get(key)!.tiltDeg === 90);
  const { mainSprueDiameterMm: diameterMm, mainSprueLengthMm: lengthMm } = decided.sprue;
  const branchDiameterMm = branchMm(decided.sprue);
  const wish: HungInput = {
    parts: hangingParts(hung, gates, scale),
    pieces: here.map(({ key, line }) => {
      const { key: _key, ...at } = byKey.get(key)!;
      return { kind: kindOf(gates, line), ...at };
    }),
    room: roomOf(flask),
    sprue: stands ? null : { diameterMm, lengthMm, ...(arms ? { branchDiameterMm } : {}) },
  };
  const reading = context.readings.of(hungJob, wish);
  const clearance = reading.status === 'known' ? reading.value : undefined;
  const gatesMm = here.map(({ line }) => wish.parts[kindOf(gates, line)]!.gate.diameterMm);
  const keys = here.map(({ key }) => key);
  const airs = airsOf(context, gates, wish, keys);
  const highest = Math.max(...wish.pieces.map(({ heightMm }) => heightMm));
  return {
    pieces: here,
    wish,
    clearance,
    airs,
    judgements: [
      ...missingPlaces(pieces.length - here.length),
      ...(clearance ? judgeHung(clearance, gapsOf(context), (n) => here[n]!.name) : [NOT_MEASURED]),
      ...(airs.some(({ answer }) => !answer) ? [AIR_UNREAD] : []),
      ...airs.flatMap(({ name, answer }) => (answer ? judgeHungAir(name, answer.now, answer.best) : [])),
      ...(arms ? judgeBranch(branchDiameterMm, gatesMm) : []),
      ...(stands
        ? []
        : [
            ...judgeMainSprue(diameterMm, gatesMm, arms ? branchDiameterMm : 0),
            ...judgeLength(highest, flask.coneHeightMm + lengthMm),
          ]),
    ],
  };
}

const NOT_MEASURED: Judgement = {
  rule: 'gap',
  weight: 'watch',
  lead: 'The gaps are not measured yet.',
  why: say`Until they are, nothing is said of wall, top or neighbours.`,
};

/** Heights of joints lie on the main sprue. */
const judgeLength = (highestMm: number, sprueTopMm: number): Judgement[] =>
  highestMm <= sprueTopMm + 1e-6
    ? []
    : [
        {
          rule: 'sprue short',
          weight: 'fix',
          lead: 'Main sprue too short.',
          why: say`The highest gate is joined at ${quantity(highestMm, 'mm', 1)}; the sprue ends at ${quantity(sprueTopMm, 'mm', 1)}.`,
        },
      ];
