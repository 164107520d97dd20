import { meshOf, solidEngine, solidOf } from './solids';
import { along, poledSurface, wrappedSurface, type Mesh, type Point } from './surfaces';

const TURN = 2 * Math.PI;

/** Limpet cufflink front, Ø 14 mm: a ribbed cone, hollow below. */
export function limpet(): Mesh {
  const profile = [[0, 6], [2.2, 5.2], [5.6, 1.4], [7, 0], [5.9, 0], [4.6, 1.2], [1.6, 3.9], [0, 4.4]] as const; // prettier-ignore
  return poledSurface(
    220,
    110,
    [
      [0, 0, 4.4],
      [0, 0, 6],
    ],
    (u, v) => {
      const [r, z] = along(profile, 1 - v);
      const outside = 1 - v < 0.5 ? 1 : 0;
      const rib = 1 + outside * 0.05 * Math.min(1, r / 4) * Math.cos(TURN * 18 * u);
      return [r * rib * Math.cos(TURN * u), r * rib * Math.sin(TURN * u), z];
    },
  );
}

/** A repeatable scatter of numbers in [0, 1). */
function scatter(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/**
 * Barnacle band ring, bore 17.35 mm as drawn: a 7 mm band with a heavy cluster on one side. `finer`: how many times as
 * many faces each way.
 */
export function barnacleBand(finer = 1): Mesh {
  const random = scatter(7);
  const barnacles = Array.from({ length: 22 }, (_, k) => ({
    angle: k < 10 ? 1.9 + (random() - 0.5) : random() * TURN,
    across: (random() - 0.5) * 4.6,
    radius: (k < 10 ? 1.4 : 0.8) + random() * 0.5,
  }));
  const bore = 17.35 / 2;
  const heightAt = (angle: number, across: number): number =>
    barnacles.reduce((height, b) => {
      const turn = Math.abs(((angle - b.angle + 3 * Math.PI) % TURN) - Math.PI) * 10;
      const q = Math.hypot(turn, across - b.across) / b.radius;
      if (q >= 1.2) return height;
      const cone = (1 - (q / 1.2) ** 1.6) * b.radius * 1.05;
      const mouth = q < 0.5 ? (1 - (q / 0.5) ** 2) * b.radius * 0.7 : 0;
      return Math.max(height, cone - mouth);
    }, 0);
  return wrappedSurface(Math.round(420 * finer), Math.round(84 * finer), (u, v) => {
    const [cos, sin] = [Math.cos(TURN * v), Math.sin(TURN * v)];
    const across = 3.5 * Math.sign(cos) * Math.abs(cos) ** 0.35;
    const wall = 0.55 + 0.55 * Math.sign(sin) * Math.abs(sin) ** 0.4;
    const radius = bore + wall + (sin > 0.05 ? heightAt(TURN * u, across) * Math.min(1, sin * 2) : 0);
    return [radius * Math.cos(TURN * u), radius * Math.sin(TURN * u), across];
  });
}

/** Whelk-shell bead, hollow, open at both ends for the thread: spiral ridges, wall about 0.9 mm. */
export function whelkBead(): Mesh {
  const outer = [[1.3, -9], [3.6, -7.2], [5.6, -2.5], [4.4, 3], [2.4, 7.4], [1.3, 9]] as const; // prettier-ignore
  const wall = 0.9;
  return wrappedSurface(240, 132, (u, v) => {
    const up = v < 0.5;
    const [r, z] = along(outer, up ? 2 * v : 2 - 2 * v);
    const ridge = 0.35 * Math.sin(TURN * (u + z / 3.6)) * Math.min(1, (r - 1.3) / 1.5);
    const radius = up ? r + ridge : Math.max(0.7, r - wall + ridge * 0.6);
    return [radius * Math.cos(TURN * u), radius * Math.sin(TURN * u), z];
  });
}

/** Rope-twist bangle segment: three strands laid round an arc of 32 mm radius, joined into one body. */
export async function ropeTwist(): Promise<Mesh> {
  const wasm = await solidEngine();
  const centre = (share: number, strand: number): Point => {
    const arc = (share - 0.5) * 1.15;
    const lay = TURN * (strand / 3 + share * 3);
    const [out, up] = [1.25 * Math.cos(lay), 1.25 * Math.sin(lay)];
    return [(32 + out) * Math.sin(arc), (32 + out) * Math.cos(arc) - 32, up];
  };
  const strand = (k: number): Mesh =>
    poledSurface(28, 240, [centre(0, k), centre(1, k)], (u, v) => {
      const [x, y, z] = centre(v, k);
      const arc = (v - 0.5) * 1.15;
      const radius = 1.3 * Math.min(1, Math.sqrt(Math.min(v, 1 - v) * 30 + 0.02));
      const [out, up] = [radius * Math.cos(TURN * u), radius * Math.sin(TURN * u)];
      return [x + out * Math.sin(arc), y + out * Math.cos(arc), z + up];
    });
  const strands = [0, 1, 2].map((k) => solidOf(wasm, strand(k)));
  return meshOf(wasm.Manifold.union(strands));
}

/** A round bar between two points with ball ends, as wire is modelled. */
type Wire = readonly [from: Point, to: Point, diameter: number];

/** Outline of the sea-holly leaf at a height: half width, mm. */
const leafHalfWidth = (share: number): number =>
  1.2 + 7.6 * Math.sin(Math.PI * share ** 0.8) * (1 + 0.12 * Math.cos(share * 34));

function seaHollyWires(): Wire[] {
  const height = 31;
  const rows = 14;
  const edge = (row: number, side: number): Point => [
    side * leafHalfWidth(row / rows),
    (row / rows) * height,
    Math.sin(row) * 0.4,
  ];
  const wires: Wire[] = [];
  for (let row = 0; row < rows; row++) {
    for (const side of [-1, 1]) {
      wires.push([edge(row, side), edge(row + 1, side), 1.1]);
      wires.push([[0, (row / rows) * height, 0], edge(row + 1, side), 0.8]);
      if (row > 1 && row % 2 === 0) {
        const [x, y, z] = edge(row, side);
        wires.push([[x, y, z], [x + side * 1.7, y + 1.5, z + 0.3], 0.62]);
      }
    }
    wires.push([[0, (row / rows) * height, 0], [0, ((row + 1) / rows) * height, 0], 1.3]);
  }
  wires.push([edge(rows, -1), edge(rows, 1), 1.2]);
  return wires;
}

/** Sea-holly trellis drop, 31 mm: open wire work from 0.6 to 1.3 mm. */
export async function seaHolly(): Promise<Mesh> {
  const wasm = await solidEngine();
  const { Manifold } = wasm;
  const bars = seaHollyWires().map(([a, b, diameter]) => {
    const ball = Manifold.sphere(diameter / 2, 20);
    return Manifold.hull([ball.translate([...a]), ball.translate([...b])]);
  });
  return meshOf(Manifold.union(bars));
}

/** Oarlock key escutcheon, 34 × 24 × 5 mm: a heavy plate with a domed boss, a keyhole and two screw holes. */
export async function escutcheon(): Promise<Mesh> {
  const wasm = await solidEngine();
  const { Manifold } = wasm;
  const disc = (x: number, r: number) => Manifold.cylinder(4, r, r, 160).translate([x, 0, 0]);
  const plate = Manifold.hull([disc(-9, 8), disc(0, 12), disc(9, 8)]);
  const boss = Manifold.sphere(13, 120).translate([0, 0, -7]).trimByPlane([0, 0, 1], 1);
  const rim = Manifold.cylinder(5, 9.4, 9, 200).subtract(
    Manifold.cylinder(7, 8.2, 8.2, 200).translate([0, 0, -1]),
  );
  const keyhole = Manifold.cylinder(20, 1.9, 1.9, 120)
    .add(Manifold.cube([1.9, 5.2, 20]).translate([-0.95, -6, 0]))
    .translate([0, 1.5, -5]);
  const screws = [-12.5, 12.5].map((x) => Manifold.cylinder(20, 1.4, 1.4, 90).translate([x, 0, -5]));
  return meshOf(
    Manifold.union([plate, boss, rim])
      .subtract(Manifold.union([keyhole, ...screws]))
      .refineToLength(0.9),
  );
}
