// npm run dev: the server restarts and the page reloads as files change. Add --demo for the demo shop.
import { spawn } from 'node:child_process';
import { installPackages, root } from './prepare.mjs';

installPackages();
const start = (args) => spawn(process.execPath, args, { cwd: root, stdio: 'inherit' });
const children = [
  start([
    'node_modules/tsx/dist/cli.mjs',
    'watch',
    '--clear-screen=false',
    'server/src/main.ts',
    ...process.argv.slice(2),
  ]),
  start(['node_modules/vite/bin/vite.js', 'web', '--config', 'web/vite.config.ts']),
];
console.log('The page with reload is at http://127.0.0.1:4681');
const stop = () => children.forEach((child) => child.kill('SIGTERM'));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
children.forEach((child) => child.on('exit', stop));
