import { findPull, makeMoldBlock, readAlong, readPattern, USUAL_KEYS } from '@zero-pour/core';
import { manifoldEngine } from '@zero-pour/jobs/run';
import Module from 'manifold-3d';
import { ms, table } from './table';
import { torusStl } from './torus';

const FORM = {
  wallMm: 8,
  keys: USUAL_KEYS,
  sprue: { neckMm: 3, nozzleMm: 8, towardDeg: null },
  vents: true,
};

/** A part to two halves with keys, sprue and vents, pull and undercuts included; limit 15 s at 150,000 triangles. */
export async function measureMold(): Promise<string> {
  const engine = manifoldEngine(await Module());
  const rows = [20_000, 150_000, 500_000].flatMap((triangles) => {
    const reading = readPattern(torusStl(triangles), 'part.stl', 1);
    if (reading.status !== 'read') throw new Error(reading.status);
    const { mesh } = reading;
    let began = performance.now();
    const lap = (): number => {
      const took = performance.now() - began;
      began = performance.now();
      return took;
    };
    const found = findPull(mesh);
    const pullMs = lap();
    readAlong(mesh, found);
    const mapMs = lap();
    // Along a plane, and along the outline of the same part askew.
    return [
      { how: 'one plane', pull: found },
      { how: 'stepped', pull: [Math.sin(0.3), 0, Math.cos(0.3)] as const },
    ].map(({ how, pull }) => {
      lap();
      const made = makeMoldBlock(mesh, pull, { scale: 1.02, form: FORM }, engine);
      const blockMs = lap();
      if (made.status !== 'made') throw new Error(made.why);
      return {
        triangles: mesh.triangles.length / 3,
        parting: made.stepped ? 'stepped' : how,
        'pull found': ms(pullMs),
        undercuts: ms(mapMs),
        'two halves': ms(blockMs),
        'in all, s (limit 15 at 150,000)': ((pullMs + mapMs + blockMs) / 1000).toFixed(1),
        // The most that this process held so far; sizes ascend.
        'process, MB (limit 1500)': (process.resourceUsage().maxRSS / 1024).toFixed(0),
      };
    });
  });
  return table(rows);
}
