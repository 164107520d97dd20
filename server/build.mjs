// npm run build -w server: the server, its threads and its commands as a few files. Their sources are some seven hundred,
// and a start that reads them one by one takes four seconds longer.
import { readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const root = fileURLToPath(new URL('..', import.meta.url));

/** Each by the name under which it is begun; threads are begun by their file's name, beside whatever begins them. */
const entryPoints = {
  main: 'server/src/main.ts',
  standIns: 'server/src/standIns/main.ts',
  backup: 'server/src/backup/main.ts',
  backupThread: 'server/src/backup/backupThread.ts',
  analyse: 'jobs/src/main.ts',
  jobThread: 'jobs/src/node/jobThread.ts',
  side: 'jobs/src/node/side.ts',
};

/** Our own rooms go in; packages stay where they were installed. */
const packagesOutside = {
  name: 'packages-outside',
  setup: ({ onResolve }) =>
    onResolve({ filter: /^[^./]/ }, ({ path: name, kind }) =>
      kind === 'entry-point' || name.startsWith('@zero-pour/') ? undefined : { path: name, external: true },
    ),
};

const { metafile } = await build({
  absWorkingDir: root,
  entryPoints,
  outdir: 'server/dist',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  // What several need is a file of its own; what is asked for later is read later.
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  sourcemap: true,
  plugins: [packagesOutside],
  metafile: true,
});

/** A server that was begun before this still reads the parts that it was built with: they stay for a while. */
const STAY_MS = 7 * 24 * 3_600_000;
const dist = path.join(root, 'server/dist');
for (const name of readdirSync(dist)) {
  const isOld = Date.now() - statSync(path.join(dist, name)).mtimeMs > STAY_MS;
  if (isOld && !(`server/dist/${name}` in metafile.outputs)) rmSync(path.join(dist, name));
}
