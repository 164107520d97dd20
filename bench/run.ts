// npm run bench -- backups | exposure | gates | heat | hostile | kilnReadings | mesh | mold | orient | page | plan | record | shared | sprues | trees | why | writes | years: measurements that print a table. Nothing here fails a build.
import { cpus } from 'node:os';
import { measureBackups } from './backups';
import { measureMesh } from './mesh';
import { measureExposure } from './exposure';
import { measureGates, measureTrees } from './gates';
import { measureHeat } from './heat';
import { measureHostile } from './hostile';
import { measureKilnReadings } from './kilnReadings';
import { measureMold } from './mold';
import { measureOrient } from './orient';
import { measurePage } from './page';
import { measurePlan } from './plan';
import { measureRecord } from './record';
import { measureShared } from './shared';
import { measureSprues } from './sprues';
import { measureWhy } from './why';
import { measureWrites } from './writes';
import { measureYears } from './years';

const BENCHES = {
  backups: measureBackups,
  exposure: measureExposure,
  gates: measureGates,
  heat: measureHeat,
  hostile: measureHostile,
  kilnReadings: measureKilnReadings,
  mesh: measureMesh,
  mold: measureMold,
  orient: measureOrient,
  page: measurePage,
  plan: measurePlan,
  record: measureRecord,
  shared: measureShared,
  sprues: measureSprues,
  trees: measureTrees,
  why: measureWhy,
  writes: measureWrites,
  years: measureYears,
} as const;
const wanted = process.argv.slice(2);
const names = (Object.keys(BENCHES) as (keyof typeof BENCHES)[]).filter(
  (name) => wanted.length === 0 || wanted.includes(name),
);

console.log(
  `Node ${process.versions.node}, ${cpus().length} × ${cpus()[0]?.model ?? 'unknown processor'}, ${new Date().toISOString().slice(0, 10)}\n`,
);
for (const name of names) console.log(`${await BENCHES[name]()}\n`);
