import type { WeldedMesh } from '../mesh';
import { evenDirection } from '../numeric';
import { TriangleTree } from '../solid';
import type { FeedField } from './feedField';
import { feedByGates, gradeFeed, type FeedingGate } from './gateFeed';
import { ballRound, sawReaches } from './gatePlaces';
import { gateDiameterForModulusMm, GATE_STEP_MM } from './modulus';

type Place = [number, number, number];

/** A gate that is proposed, and what it is for. */
export interface SuggestedGate extends FeedingGate {
  /** Out of the part. */
  normal: Place;
  /** Masses that it feeds, by their index. */
  feeds: number[];
}

/** Faces that gates are kept off, one byte a triangle: 1 for a show face. */
type ShowFaces = Uint8Array | undefined;
type Mesh = Pick<WeldedMesh, 'positions' | 'triangles'>;
type Candidate = Omit<SuggestedGate, 'feeds'>;

/** A finer grid may find a mass so much stouter: a gate that is proposed still feeds it then. */
const GRID_MARGIN = 1.05;

/** The next step of wax wire that keeps the modulus rule of a mass. */
function gateFor(modulusMm: number): number {
  const asked = gateDiameterForModulusMm(GRID_MARGIN * modulusMm);
  return Math.round(10 * Math.ceil(asked / GATE_STEP_MM - 1e-9) * GATE_STEP_MM) / 10;
}

/**
 * Gates that feed every mass (handbook 05), off the show faces, each where a saw reaches it if it can be, as thick as the
 * stoutest mass that it feeds asks for. 'fewest': greedily as few as can be. 'one each': one on every mass, as thick as its own mass
 * asks. Masses that no gate can be set for (all round them are show faces) are left out of `feeds`.
 * O(masses² · ways).
 */
export function suggestGates(
  field: FeedField,
  mesh: Mesh,
  school: 'fewest' | 'one each' = 'fewest',
  show?: ShowFaces,
): SuggestedGate[] {
  const candidates = candidatesOf(field, mesh, show);
  if (school === 'one each') return candidates.map(({ spot, ...gate }) => ({ ...gate, feeds: [spot] }));
  const left = new Set(field.hotSpots.keys());
  const chosen: SuggestedGate[] = [];
  while (left.size > 0) {
    let best: SuggestedGate | undefined;
    for (const { spot: _spot, ...gate } of candidates) {
      const feeds = feedByGates(field, [gate])
        .filter((feed) => left.has(feed.spot) && gradeFeed(feed) === 'good')
        .map(({ spot }) => spot);
      if (feeds.length > (best?.feeds.length ?? 0)) best = { ...gate, feeds };
    }
    if (!best) break;
    chosen.push(best);
    best.feeds.forEach((spot) => left.delete(spot));
  }
  return chosen;
}

/** Sides of a mass that a place is looked for on, beside the nearest one. */
const SIDES = 14;

/** For each mass the nearest free surface that a saw gets at; the nearest one where it gets at none. */
function candidatesOf(
  { hotSpots }: FeedField,
  mesh: Mesh,
  show: ShowFaces,
): (Candidate & { spot: number })[] {
  const { positions, triangles } = mesh;
  const free = Uint32Array.from({ length: triangles.length / 3 }, (_, t) => t).filter((t) => show?.[t] !== 1);
  if (free.length === 0) return [];
  const tree = new TriangleTree(positions, triangles, free);
  const whole = free.length === triangles.length / 3 ? tree : new TriangleTree(positions, triangles);
  const ball = ballRound(mesh);
  const found = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  return hotSpots.flatMap(({ at, widthMm, modulusMm }, spot) => {
    if (!(modulusMm > 0)) return [];
    const diameterMm = gateFor(modulusMm);
    const nearest = (p: Place): Candidate | undefined => {
      if (!tree.closest(p[0], p[1], p[2], Infinity, found)) return undefined;
      const place: Place = [found.x, found.y, found.z];
      const away = place.map((v, k) => v - at[k]!) as Place;
      const length = Math.hypot(...away) || 1;
      return { at: place, normal: away.map((v) => v / length) as Place, diameterMm };
    };
    const first = nearest(at);
    if (!first) return [];
    if (sawReaches(whole, ball, first)) return [{ ...first, spot }];
    const others = Array.from({ length: SIDES }, (_, n) => evenDirection(n, SIDES)).flatMap(
      (way) => nearest(at.map((v, k) => v + (widthMm / 2) * way[k]!) as Place) ?? [],
    );
    const far = ({ at: p }: Candidate): number => Math.hypot(...p.map((v, k) => v - at[k]!));
    const sawn = others.sort((a, b) => far(a) - far(b)).find((one) => sawReaches(whole, ball, one));
    return [{ ...(sawn ?? first), spot }];
  });
}
