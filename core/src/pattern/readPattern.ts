import {
  capHoles,
  checkTopology,
  innerShells,
  isClosed,
  measureBounds,
  measureSolid,
  MeshFileError,
  readMesh,
  sizeOf,
  weldEqual,
  weldWithin,
  type CappedMesh,
  type MeshFormat,
  type RawMesh,
  type Topology,
  type WeldedMesh,
} from '../mesh';
import { pickSupportPoints } from '../orient';
import { measureSolidVolume } from '../solid';
import type { Report } from './grids';
import { STEPS } from './steps';
import { askUnit, type UnitOption } from './unitQuestion';

/** What the shop keeps of a pattern file, besides its bytes. Lengths in mm. */
export interface PatternMeasure {
  format: MeshFormat;
  unitMm: number;
  triangles: number;
  vertices: number;
  closed: boolean;
  openEdges: number;
  crowdedEdges: number;
  turnedEdges: number;
  degenerate: number;
  shells: number;
  /** Hollows: inverted shells inside another. */
  inwardShells: number;
  /** The whole file was inside out and has been taken the right way round. */
  reversed: boolean;
  sizeMm: readonly [number, number, number];
  areaMm2: number;
  /** What it displaces, by the non-zero winding rule: overlapping bodies count once. */
  volumeMm3: number;
  /** Half the width within which the volume is known; 0 when closed. */
  volumePlusMinusMm3: number;
  /** Σ of signed shell volumes: too high by the overlap, meaningless when not closed. */
  bodySumMm3: number;
  /** What the sum of the bodies counts more than once. */
  overlapMm3: number;
  supportPointsMm: number[];
}

export type PatternReading =
  | { status: 'unit needed'; options: UnitOption[] }
  | { status: 'read'; measure: PatternMeasure; mesh: WeldedMesh };

const diagonalOf = (size: readonly number[]): number => Math.hypot(...size);

/** Exact welding first; only where edges stay open are near vertices joined as well. */
function weld(raw: RawMesh, unitMm: number): { mesh: WeldedMesh; topology: Topology } {
  const exact = weldEqual(raw, unitMm);
  const topology = checkTopology(exact);
  if (topology.openEdges === 0) return { mesh: exact, topology };
  const mesh = weldWithin(exact, diagonalOf(sizeOf(measureBounds(exact.positions))));
  return { mesh, topology: checkTopology(mesh) };
}

/** More of the surface than this cannot be missing and the part still be told from its caps. */
const CAPPED_SHARE_MAX = 0.25;
/** Less volume than this for its surface is none: a sheet folded on itself. */
const FLAT_SHARE = 1e-9;

/** The openings shut, where they are a small part of the surface; null otherwise. */
export function smallCaps(mesh: WeldedMesh, areaMm2: number, shareMax = CAPPED_SHARE_MAX): CappedMesh | null {
  const capped = capHoles(mesh);
  return capped && capped.capAreaMm2 <= shareMax * areaMm2 ? capped : null;
}

/** Σ a·(b×c)/6 over all faces. */
const sumOf = (mesh: WeldedMesh): number =>
  measureSolid(mesh, checkTopology(mesh), measureBounds(mesh.positions)).volumeMm3;

/** The volume is an estimate where its ± shows at all in what is told, cm³ to three digits. */
export const isEstimate = ({ volumePlusMinusMm3 }: Pick<PatternMeasure, 'volumePlusMinusMm3'>): boolean =>
  volumePlusMinusMm3 >= 0.5;

/** Turns every triangle over, in place. */
function turnInsideOut(mesh: WeldedMesh): void {
  const { triangles } = mesh;
  for (let t = 0; t < triangles.length; t += 3) {
    const second = triangles[t + 1]!;
    triangles[t + 1] = triangles[t + 2]!;
    triangles[t + 2] = second;
  }
}

/**
 * Reads, welds, checks and measures one pattern file (handbook 01).
 * `unitMm` answers the unit question; without it, an implausible size comes back as 'unit needed'.
 * `report` is told each step as it begins. Throws MeshFileError with the reason when the file is bad.
 */
export function readPattern(
  bytes: Uint8Array,
  fileName: string,
  unitMm: number | null,
  report: Report = () => {},
): PatternReading {
  report('reading', STEPS.reading);
  const raw = readMesh(bytes, fileName);
  const fileSize = sizeOf(measureBounds(raw.positions));
  const known = unitMm ?? raw.unitMm;
  const question = known === null ? askUnit(fileSize) : null;
  if (question) return { status: 'unit needed', options: question };

  report('welding', STEPS.welding);
  const { mesh, topology } = weld(raw, known ?? 1);
  if (mesh.triangles.length === 0 || Math.max(...fileSize) === 0) throw new MeshFileError('MESH_FLAT');
  report('checking', STEPS.checking);
  const bounds = measureBounds(mesh.positions);
  const closed = isClosed(topology);
  let solid = measureSolid(mesh, topology, bounds);
  const capped = closed ? null : smallCaps(mesh, solid.areaMm2);
  const capsMm3 = (): number => (capped ? sumOf(capped.mesh) : solid.volumeMm3);
  const reversed = capsMm3() < 0;
  if (reversed) {
    turnInsideOut(mesh);
    if (capped) turnInsideOut(capped.mesh);
    solid = measureSolid(mesh, topology, bounds);
  }
  // Flat, or bodies that cancel each other: there is nothing to weigh.
  if ((closed || capped) && !(capsMm3() > FLAT_SHARE * solid.areaMm2 ** 1.5))
    throw new MeshFileError('MESH_FLAT');
  const displaced = capped
    ? {
        ...measureSolidVolume(capped.mesh, bounds, { ...solid, volumeMm3: capsMm3() }, true),
        plusMinusMm3: capped.plusMinusMm3,
      }
    : measureSolidVolume(mesh, bounds, solid, closed);
  if (!(displaced.volumeMm3 > 0)) throw new MeshFileError('MESH_FLAT');
  report('outline', STEPS.outline);
  const supportPointsMm = pickSupportPoints(mesh.positions).map((v) => Math.round(v * 1e3) / 1e3);
  return {
    status: 'read',
    mesh,
    measure: {
      format: raw.format,
      unitMm: known ?? 1,
      triangles: mesh.triangles.length / 3,
      vertices: mesh.positions.length / 3,
      closed,
      openEdges: topology.openEdges,
      crowdedEdges: topology.crowdedEdges,
      turnedEdges: topology.turnedEdges,
      degenerate: mesh.degenerateCount,
      shells: topology.shells,
      inwardShells: innerShells(mesh, topology, solid.shellVolumesMm3),
      reversed,
      sizeMm: solid.sizeMm,
      areaMm2: solid.areaMm2,
      volumeMm3: displaced.volumeMm3,
      volumePlusMinusMm3: displaced.plusMinusMm3,
      bodySumMm3: solid.volumeMm3,
      overlapMm3: displaced.overlapMm3,
      supportPointsMm,
    },
  };
}
