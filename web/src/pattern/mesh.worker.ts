import type { PatternAnswer, PatternProgress } from '@zero-pour/contracts';
import { MeshFileError, readPattern } from '@zero-pour/core';
import { expose, transfer } from 'comlink';
import { sha256 } from '../api/sha256';

/** Reads and measures one pattern file off the page's thread. */
async function read(
  bytes: Uint8Array<ArrayBuffer>,
  fileName: string,
  unitMm: number | null,
  report: PatternProgress,
): Promise<PatternAnswer> {
  try {
    const reading = readPattern(bytes, fileName, unitMm, report);
    if (reading.status === 'unit needed') return reading;
    const positions = Float32Array.from(reading.mesh.positions);
    const { triangles } = reading.mesh;
    return transfer(
      { status: 'read', hash: await sha256(bytes), measure: reading.measure, positions, triangles },
      [positions.buffer, triangles.buffer],
    );
  } catch (error) {
    if (error instanceof MeshFileError) return { status: 'refused', code: error.code, detail: error.detail };
    throw error;
  }
}

const meshWorker = { read };
export type MeshWorker = typeof meshWorker;
expose(meshWorker);
