import { gateSolidOf, modelSprues, readPattern, type ModelledGate } from '@zero-pour/core';
import { manifoldEngine } from '@zero-pour/jobs/run';
import Module from 'manifold-3d';
import { median, ms, table } from './table';
import { torusStl } from './torus';

const RUNS = 5;

/** Eight gates evenly round the outside of a ring. */
function gatesRound(outerMm: number): ModelledGate[] {
  return Array.from({ length: 8 }, (_, n) => {
    const angle = (2 * Math.PI * n) / 8;
    const direction = [Math.cos(angle), Math.sin(angle), 0] as ModelledGate['direction'];
    const at = direction.map((v) => v * outerMm) as ModelledGate['at'];
    return { at, direction, diameterMm: 2.5, lengthMm: 4, flareMm: 0.6 };
  });
}

/** Sprues drawn into the print, checks and all, beside what the boolean engine takes alone; limit 1.3 of it. */
export async function measureSprues(): Promise<string> {
  const engine = manifoldEngine(await Module());
  const rows = [20_000, 200_000].map((triangles) => {
    const reading = readPattern(torusStl(triangles), 'part.stl', 1);
    if (reading.status !== 'read') throw new Error(reading.status);
    const { mesh, measure } = reading;
    const gates = gatesRound(measure.sizeMm[0] / 2);
    const solids = gates.map((gate) => gateSolidOf(mesh, gate));
    const alone: number[] = [];
    const ours: number[] = [];
    let volumes = '';
    for (let run = 0; run < RUNS; run++) {
      let began = performance.now();
      const bodies = [
        engine.create(Float32Array.from(mesh.positions), mesh.triangles),
        ...solids.map(({ positions, triangles: t }) => engine.create(positions, t)),
      ];
      const union = engine.union(bodies);
      engine.mesh(union);
      alone.push(performance.now() - began);
      const expected = engine.volumeMm3(union);
      [...bodies, union].forEach((body) => engine.release(body));
      began = performance.now();
      const made = modelSprues(mesh, gates, null, engine);
      ours.push(performance.now() - began);
      if (made.status !== 'made') throw new Error(made.why);
      volumes = `${made.volumeMm3.toFixed(3)} / ${expected.toFixed(3)}`;
    }
    return {
      triangles: mesh.triangles.length / 3,
      'engine alone': ms(median(alone)),
      'eight sprues drawn': ms(median(ours)),
      'of it (limit 1.3)': (median(ours) / median(alone)).toFixed(2),
      'mm³, ours and alone': volumes,
    };
  });
  return table(rows);
}
