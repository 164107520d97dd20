import { ringAbout, rotationFor, spreadDirections } from './directions';
import { QuickLooker, type Direction, type QuickLook, type QuickLookOptions } from './quickLook';
import type { Rotation } from '../rotation';
import type { SearchSurface } from './searchSurface';

/** What a way up is chosen for (handbook 04, "Way up"). */
export const WAY_AIMS = ['cleanest face', 'safest', 'fastest'] as const;
export type WayAim = (typeof WAY_AIMS)[number];

/** Sizes that costs are told against. */
export interface PartScale {
  areaMm2: number;
  showMm2: number;
  /** Longest and least extent over all directions looked at. */
  tallestMm: number;
  shortestMm: number;
}

/** What the costs ask of a way up; a cut stack answers the same as a quick look. */
export type WayFigures = Omit<QuickLook, 'direction'>;

const share = (part: number, whole: number): number => (whole > 0 ? part / whole : 0);
const many = (count: number): number => Math.log2(1 + count);

/**
 * Cost of a way up for an aim, lower is better. Islands are lost detail and cups torn prints, whatever the aim; what
 * else counts differs: the faces that must stay clean, what can go wrong, or the hours. Shop defaults.
 */
export function costOf(way: WayFigures, part: PartScale, aim: WayAim): number {
  const height = share(way.heightMm - part.shortestMm, part.tallestMm - part.shortestMm);
  const overhang = share(way.overhangMm2, part.areaMm2);
  const peel = share(way.peakMm2, part.areaMm2);
  const trouble = 0.6 * many(way.islands) + 0.5 * many(way.cups);
  switch (aim) {
    case 'cleanest face': {
      const shown = part.showMm2 > 0;
      const marks = shown ? share(way.showOverhangMm2, part.showMm2) : overhang;
      const steps = shown ? share(way.showStepsMm2, part.showMm2) : 0;
      return 6 * marks + 1.5 * steps + 0.5 * trouble + 0.5 * overhang + 0.1 * height;
    }
    case 'safest':
      return 1.5 * trouble + 3 * overhang + 2 * peel + 0.3 * height;
    case 'fastest':
      return 4 * height + 0.4 * trouble + overhang;
  }
}

export interface WayFound {
  direction: Direction;
  rotation: Rotation;
  quick: QuickLook;
  cost: number;
}

export interface WaysFound {
  part: PartScale;
  /** For each aim the best that were found, best first, well apart from each other. */
  best: Record<WayAim, WayFound[]>;
  looks: number;
}

export interface WaySearchOptions extends QuickLookOptions {
  directions?: number;
  /** Called now and then with the share that is done; throws to stop. */
  report?: (share: number) => void;
}

const DIRECTIONS = 300;
const KEPT = 3;
/** Ways nearer than this are the same way. */
const APART_COS = Math.cos((12 * Math.PI) / 180);
/** Rings round the best, each finer. Degrees, and directions on the ring. */
const RINGS = [
  [6, 6],
  [2, 6],
] as const;
const REPORT_EVERY = 8;

const dot = (a: Direction, b: Direction): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** The best of a list for an aim, each well apart from those before it. */
function bestOf(looks: readonly QuickLook[], part: PartScale, aim: WayAim, count: number): WayFound[] {
  const ranked = looks
    .map((quick) => ({ quick, cost: costOf(quick, part, aim) }))
    .sort((a, b) => a.cost - b.cost);
  const kept: WayFound[] = [];
  for (const { quick, cost } of ranked) {
    if (kept.some((other) => dot(other.direction, quick.direction) > APART_COS)) continue;
    kept.push({ direction: quick.direction, rotation: rotationFor(quick.direction), quick, cost });
    if (kept.length === count) break;
  }
  return kept;
}

/** The lowest costs of an aim so far: a look that cannot get among them is not worth its while. */
class LowestCosts {
  private readonly costs: number[] = [];

  /** More than are kept in the end, since those near a better one fall out. */
  constructor(private readonly room = 10) {}

  worth = (cost: number): boolean => this.costs.length < this.room || cost < this.costs[this.room - 1]!;
  add(cost: number): void {
    this.costs.push(cost);
    this.costs.sort((a, b) => a - b);
    this.costs.length = Math.min(this.costs.length, this.room);
  }
}

/** Areas of a surface and of what shows of it, with the extents that were found. */
export function scaleOf(
  surface: SearchSurface,
  show: Uint8Array | undefined,
  heights: readonly number[],
): PartScale {
  let [areaMm2, showMm2] = [0, 0];
  surface.areas.forEach((area, t) => {
    areaMm2 += area;
    if (show?.[t]) showMm2 += area;
  });
  return { areaMm2, showMm2, tallestMm: Math.max(...heights), shortestMm: Math.min(...heights) };
}

/**
 * Looks at a part from a few hundred directions and refines the best for each aim. Nothing is cut: islands and cups come
 * from sweeping the surface, areas from its faces; a direction that could not win without either is not swept.
 * O(directions · triangles).
 */
export function searchWaysUp(surface: SearchSurface, options: WaySearchOptions): WaysFound {
  const { directions = DIRECTIONS, report, layerMm, show } = options;
  const looker = new QuickLooker(surface);
  const all = spreadDirections(directions);
  const part = scaleOf(surface, show, all.map((direction) => looker.heightMm(direction))); // prettier-ignore
  const planned = directions + WAY_AIMS.length * KEPT * RINGS.reduce((sum, [, count]) => sum + count, 0);
  const lowest = WAY_AIMS.map(() => new LowestCosts());
  const looks: QuickLook[] = [];
  let looked = 0;
  const look = (direction: Direction): QuickLook | undefined => {
    if (looked++ % REPORT_EVERY === 0) report?.(Math.min(1, looked / planned));
    const found = looker.lookIf(direction, { layerMm, show }, (atBest) =>
      WAY_AIMS.some((aim, i) => lowest[i]!.worth(costOf(atBest, part, aim))),
    );
    if (!found) return undefined;
    looks.push(found);
    WAY_AIMS.forEach((aim, i) => lowest[i]!.add(costOf(found, part, aim)));
    return found;
  };
  all.forEach(look);
  const best = {} as Record<WayAim, WayFound[]>;
  for (const aim of WAY_AIMS) {
    const refined = bestOf(looks, part, aim, KEPT).map((found) => {
      let at = found.quick;
      for (const [deg, count] of RINGS)
        for (const direction of ringAbout(at.direction, deg, count)) {
          const other = look(direction);
          if (other && costOf(other, part, aim) < costOf(at, part, aim)) at = other;
        }
      return at;
    });
    best[aim] = bestOf(refined, part, aim, KEPT);
  }
  report?.(1);
  return { part, best, looks: looked };
}
