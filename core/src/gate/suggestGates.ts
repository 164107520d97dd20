import type { WeldedMesh } from '../mesh';
import { TriangleTree } from '../solid';
import type { FeedField } from './feedField';
import { feedByGates, gradeFeed, type FeedingGate } from './gateFeed';
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

/** The next step of wax wire that keeps the modulus rule of a mass. */
function gateFor(modulusMm: number): number {
  const asked = gateDiameterForModulusMm(modulusMm);
  return Math.round(10 * Math.ceil(asked / GATE_STEP_MM - 1e-9) * GATE_STEP_MM) / 10;
}

/**
 * The fewest gates that feed every mass, greedily (handbook 05): each on the surface nearest to a mass, off the show faces,
 * as thick as the stoutest mass that it feeds asks for. Masses that no gate can be set for (all round them are show
 * faces) are left out of `feeds`. O(masses² · ways).
 */
export function suggestGates(
  field: FeedField,
  mesh: Pick<WeldedMesh, 'positions' | 'triangles'>,
  show?: ShowFaces,
): SuggestedGate[] {
  const candidates = candidatesOf(field, mesh, show);
  const left = new Set(field.hotSpots.keys());
  const chosen: SuggestedGate[] = [];
  while (left.size > 0) {
    let best: SuggestedGate | undefined;
    for (const gate of candidates) {
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

function candidatesOf(
  { hotSpots }: FeedField,
  { positions, triangles }: Pick<WeldedMesh, 'positions' | 'triangles'>,
  show: ShowFaces,
): Omit<SuggestedGate, 'feeds'>[] {
  const free = Uint32Array.from({ length: triangles.length / 3 }, (_, t) => t).filter((t) => show?.[t] !== 1);
  if (free.length === 0) return [];
  const tree = new TriangleTree(positions, triangles, free);
  const found = { distance2: 0, x: 0, y: 0, z: 0, triangle: 0 };
  return hotSpots.flatMap(({ at, modulusMm }) => {
    if (!(modulusMm > 0) || !tree.closest(at[0], at[1], at[2], Infinity, found)) return [];
    const place: Place = [found.x, found.y, found.z];
    const away = place.map((v, k) => v - at[k]!) as Place;
    const length = Math.hypot(...away) || 1;
    return [{ at: place, normal: away.map((v) => v / length) as Place, diameterMm: gateFor(modulusMm) }];
  });
}
