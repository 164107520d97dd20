// node scripts/begin.mjs NAME [ARGUMENTS]: installs and builds what is missing, then runs that part of the built server
// (server/build.mjs names them). npm start, npm run demo and the other commands are this.
import { spawn } from 'node:child_process';
import { buildPage, buildServer, BUILT, installPackages, root } from './prepare.mjs';

const [name, ...args] = process.argv.slice(2);
installPackages();
buildServer();
if (name === 'main') buildPage();
const begun = spawn(process.execPath, ['--enable-source-maps', `${BUILT}/${name}.mjs`, ...args], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => begun.kill(signal));
begun.on('exit', (code) => process.exit(code ?? 0));
