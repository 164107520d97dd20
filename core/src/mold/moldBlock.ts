import { checkTopology, isClosed, measureBounds, type WeldedMesh } from '../mesh';
import { uniteFile } from '../pattern';
import { InputError } from '../numeric';
import type { BooleanEngine } from '../solid';
import type { SolidMesh } from '../sprue';
import { sprueChannel, ventChannels, type SprueForm } from './channels';
import { ACROSS, cellFor } from './findPull';
import { keyPlaces, keySolid, type KeyForm } from './keys';
import { choosePlane } from './partingPlane';
import { blockPart, flatParting, followParting, type BlockPlan, type Channel } from './partingSurface';
import { pullAlong, type Direction, type PulledPart } from './pull';
import { sprueSolid, ventSolid } from './waySolids';
import { findUndercuts, type Undercut, type UndercutMap } from './undercut';

export interface BlockForm {
  /** Mold round the cavity at its thinnest. */
  wallMm: number;
  keys: KeyForm;
  sprue: SprueForm | null;
  vents: boolean;
}

export interface MoldHalf {
  positions: Float64Array;
  triangles: Uint32Array;
  volumeMm3: number;
}

export type MoldBlock =
  | {
      status: 'made';
      sizeMm: [number, number, number];
      /** Heights over the block's floor, as it lies with its pull upright. */
      partingMm: number;
      stepped: boolean;
      undercuts: Undercut[];
      /** In the axes of the pull, closed. */
      lower: MoldHalf;
      upper: MoldHalf;
      keys: number;
      vents: number;
      /** Ends of the cavity that no vent leads out of. */
      blindEnds: number;
      /** Cavity and what was cut for wax and air, within the block. */
      cavityMm3: number;
      thinnestMm: number;
      cellMm: number;
    }
  /** 'open': only a closed part leaves a cavity; 'not one': a half would be torn; 'thin': the nozzle's seat cuts through. */
  | { status: 'refused'; why: 'open' | 'not one' | 'thin'; mm: number };

/** A plane parts what lies off it by no more than this share: the grid's own steps. */
const PLANE_OFF = 0.004;
/** A plane this near the part's lowest or highest place is its face. Cells. */
const SNAP_CELLS = 1.5;
/** Nodes of a surface that is no plane: no finer than a light spot of a printer, no more than so many a side. */
const STEP_LEAST_MM = 0.25;
const NODES_MOST = 220;

/**
 * A part's mold in two halves (handbook 06): block, parting surface, cavity by exact boolean, keys, the way of the wax and of the air.
 * `scale`: how much larger the cavity is than the part is drawn. O(n log n) by the engine.
 */
export function makeMoldBlock(
  mesh: WeldedMesh,
  pull: Direction,
  { scale, form }: { scale: number; form: BlockForm },
  engine: BooleanEngine<unknown>,
  tell: (what: string, share: number) => void = () => {},
): MoldBlock {
  if (!(scale > 0)) throw new InputError('scale', 'more than 0', scale);
  if (!(form.wallMm > 0)) throw new InputError('wallMm', 'more than 0', form.wallMm);
  const topology = checkTopology(mesh);
  if (!isClosed(topology)) return { status: 'refused', why: 'open', mm: 0 };
  // Bodies that overlap leave one cavity.
  const united = topology.shells > 1 ? uniteFile(mesh, engine) : mesh;
  if (!united) return { status: 'refused', why: 'not one', mm: 0 };
  const part = pullAlong(united, pull, scale);
  tell('undercuts', 0.1);
  const map = findUndercuts(part, cellFor(part, ACROSS));
  const layout = layOut(part, map, form);
  const { plan, floorMm, ceilingMm, sprue } = layout;
  const seat = (form.sprue?.nozzleMm ?? 0) / 2;
  const overSeat = Math.min(plan.planeMm - floorMm, ceilingMm - plan.planeMm) - seat;
  if (overSeat <= 0) return { status: 'refused', why: 'thin', mm: -overSeat };
  tell('parting', 0.3);
  const step = Math.max(
    STEP_LEAST_MM,
    Math.max(plan.high[0] - plan.low[0], plan.high[1] - plan.low[1]) / NODES_MOST,
  );
  const surface = layout.stepped ? followParting(map, plan, step) : flatParting(plan);
  tell('halves', 0.4);
  const cutters = [part, ...(sprue ? [sprueSolid(sprue, form.sprue!)] : []), ...layout.vents.map(ventSolid)];
  const keys = keyPlaces(plan, form.keys, [...(sprue ? [sprue] : []), ...layout.vents]);
  const halves = cutHalves(engine, {
    lower: blockPart(surface, plan, floorMm),
    upper: blockPart(surface, plan, ceilingMm),
    cutters,
    keys: keys.map((at) => keySolid(at, form.keys, 0)),
    recesses: keys.map((at) => keySolid(at, form.keys, form.keys.clearanceMm)),
  });
  if (!halves) return { status: 'refused', why: 'not one', mm: 0 };
  tell('measuring', 0.95);
  const sizeMm: [number, number, number] = [
    plan.high[0] - plan.low[0],
    plan.high[1] - plan.low[1],
    ceilingMm - floorMm,
  ];
  return {
    status: 'made',
    sizeMm,
    partingMm: plan.planeMm - floorMm,
    stepped: layout.stepped,
    undercuts: map.undercuts,
    ...halves,
    keys: keys.length,
    vents: layout.vents.length,
    blindEnds: layout.blind,
    thinnestMm: Math.min(form.wallMm, overSeat),
    cellMm: map.frame.cellMm,
  };
}

interface Layout {
  plan: BlockPlan;
  floorMm: number;
  ceilingMm: number;
  stepped: boolean;
  sprue: Channel | null;
  vents: Channel[];
  blind: number;
}

/** The block round a part, its plane, and the ways of wax and air in it. */
function layOut(
  part: PulledPart,
  map: UndercutMap,
  { wallMm, keys, sprue: form, vents: wanted }: BlockForm,
): Layout {
  const { min, max } = measureBounds(part.positions);
  const low = [min[0] - wallMm, min[1] - wallMm] as const;
  const high = [max[0] + wallMm, max[1] + wallMm] as const;
  const { heightMm, offShare } = choosePlane(map);
  const near = SNAP_CELLS * map.frame.cellMm;
  const planeMm = [min[2], max[2]].find((z) => Math.abs(z - heightMm) < near) ?? heightMm;
  const box = { low, high };
  const sprue = form && sprueChannel(map, box, planeMm, form);
  const from = sprue?.column ?? sprueChannel(map, box, planeMm, ANY_WAY).column;
  const { vents, blind } = wanted ? ventChannels(map, box, planeMm, from) : { vents: [], blind: 0 };
  const channels = [...(sprue ? [sprue.channel] : []), ...vents];
  const flatMm = Math.min(wallMm * 0.7, keys.share * Math.max(high[0] - low[0], high[1] - low[1]) + 2);
  return {
    plan: { low, high, planeMm, flatMm, channels },
    floorMm: min[2] - wallMm,
    ceilingMm: max[2] + wallMm,
    stepped: offShare > PLANE_OFF,
    sprue: sprue?.channel ?? null,
    vents,
    blind,
  };
}
const ANY_WAY: SprueForm = { neckMm: 1, nozzleMm: 1, towardDeg: null };

/** Both halves with cavity, ways and keys cut; null where one is torn apart. */
function cutHalves<S>(
  engine: BooleanEngine<S>,
  of: {
    lower: SolidMesh;
    upper: SolidMesh;
    cutters: readonly { positions: ArrayLike<number>; triangles: Uint32Array }[];
    keys: readonly SolidMesh[];
    recesses: readonly SolidMesh[];
  },
): { lower: MoldHalf; upper: MoldHalf; cavityMm3: number } | null {
  const made: S[] = [];
  const keep = (body: S): S => {
    made.push(body);
    return body;
  };
  const solid = (mesh: { positions: ArrayLike<number>; triangles: Uint32Array }): S =>
    keep(engine.create(Float32Array.from(mesh.positions), mesh.triangles));
  try {
    const cutters = of.cutters.map(solid);
    const cutter = cutters.length > 1 ? keep(engine.union(cutters)) : cutters[0]!;
    const [low, up] = [solid(of.lower), solid(of.upper)];
    const whole = engine.volumeMm3(low) + engine.volumeMm3(up);
    const lower = keep(engine.subtract(low, cutter));
    const upper = keep(engine.subtract(up, cutter));
    const cavityMm3 = whole - engine.volumeMm3(lower) - engine.volumeMm3(upper);
    const keyed = of.keys.length > 0 ? keep(engine.union([lower, ...of.keys.map(solid)])) : lower;
    const recess = of.recesses.length > 0 ? keep(engine.union(of.recesses.map(solid))) : null;
    const opened = recess ? keep(engine.subtract(upper, recess)) : upper;
    const half = (body: S): MoldHalf => ({ ...engine.mesh(body), volumeMm3: engine.volumeMm3(body) });
    for (const body of [keyed, opened]) {
      const pieces = engine.pieces(body);
      pieces.forEach((piece) => made.push(piece));
      // Crumbs of rounding fall away; a second piece of any size is a half that does not hold together.
      const largest = Math.max(...pieces.map((piece) => engine.volumeMm3(piece)));
      const rest = pieces.reduce((sum, piece) => sum + engine.volumeMm3(piece), 0) - largest;
      if (!(largest > 0) || rest > CRUMBS * largest) return null;
    }
    return { lower: half(keyed), upper: half(opened), cavityMm3 };
  } finally {
    made.forEach((body) => engine.release(body));
  }
}
const CRUMBS = 1e-3;
