// npm start, npm run demo: installs and builds what is missing, then serves.
import { spawn } from 'node:child_process';
import { buildPage, installPackages, root } from './prepare.mjs';

installPackages();
buildPage();
const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts', ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
