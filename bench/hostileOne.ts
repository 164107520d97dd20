import { MeshFileError, readMesh } from '@zero-pour/core';
import { HOSTILE } from '../core/src/testing/hostileMeshes';

/** One file of the list, by its place: what came of it, as JSON. */
const { name, make } = HOSTILE[Number(process.argv[2])]!;
const bytes = make(1);
global.gc?.();
const before = process.resourceUsage().maxRSS;
const began = performance.now();
let code = 'read';
try {
  readMesh(bytes, name);
} catch (error) {
  code = error instanceof MeshFileError ? error.code : String(error).slice(0, 60);
}
const tookMs = performance.now() - began;
const after = process.resourceUsage().maxRSS;
console.log(JSON.stringify({ code, tookMs, bytes: (after - before) * 1024, sizeMb: bytes.length / 1e6 }));
