import type { Pattern } from '@zero-pour/contracts';
import { readPattern, writeBinaryStl } from '@zero-pour/core';
import { createHash } from 'node:crypto';
import { demoId } from './demoId';
import { barnacleBand, escutcheon, limpet, ropeTwist, seaHolly, whelkBead } from './meshes/seaPieces';
import type { Mesh } from './meshes/surfaces';

/** The pieces of Gannet Yard Casting Room, generated; each a real closed mesh of jewelry scale. */
const PIECES: readonly { name: string; file: string; make: () => Mesh | Promise<Mesh>; note: string }[] = [
  {
    name: 'Limpet cufflink',
    file: 'limpet-cufflink.stl',
    make: limpet,
    note: 'Ribbed outside, hollow below.',
  },
  {
    name: 'Barnacle band',
    file: 'barnacle-band.stl',
    make: barnacleBand,
    note: 'Heavy cluster on a thin band.',
  },
  { name: 'Sea-holly trellis drop', file: 'sea-holly-drop.stl', make: seaHolly, note: 'Wires from 0.6 mm.' },
  {
    name: 'Oarlock escutcheon',
    file: 'oarlock-escutcheon.stl',
    make: escutcheon,
    note: 'Heavy plate with a keyhole.',
  },
  {
    name: 'Rope-twist segment',
    file: 'rope-twist-segment.stl',
    make: ropeTwist,
    note: 'One sixth of a bangle.',
  },
  { name: 'Whelk bead', file: 'whelk-bead.stl', make: whelkBead, note: 'Hollow, open at both ends.' },
];

export interface DemoPatterns {
  patterns: Pattern[];
  bytes: Map<string, Uint8Array>;
}

/** The demo's mesh files as binary STL, in order of their names in the scenario. */
export async function createDemoMeshes(): Promise<
  { name: string; file: string; note: string; stl: Uint8Array }[]
> {
  return Promise.all(
    PIECES.map(async ({ make, ...piece }) => {
      const { positions, triangles } = await make();
      return { ...piece, stl: writeBinaryStl(positions, triangles) };
    }),
  );
}

/** Generates the meshes and reads them back as any dropped file would be. */
export async function createDemoPatterns(createdAt: string): Promise<DemoPatterns> {
  const bytes = new Map<string, Uint8Array>();
  const patterns = (await createDemoMeshes()).map(({ name, file, note, stl }): Pattern => {
    const fileHash = createHash('sha256').update(stl).digest('hex');
    bytes.set(fileHash, stl);
    const reading = readPattern(stl, file, null);
    if (reading.status !== 'read') throw new Error(`${file}: ${reading.status}`);
    return {
      id: demoId(name),
      name,
      fileName: file,
      fileHash,
      measure: reading.measure,
      note,
      formerId: null,
      classOverride: null,
      createdAt,
    };
  });
  return { patterns, bytes };
}
