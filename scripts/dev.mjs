// npm run dev: the development server with hot reload, and the server that hands out the demo data.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { installPackages, prepareModels, root, run } from './setup.mjs';

installPackages();
prepareModels();
if (!existsSync(path.join(root, 'dist', 'index.html')))
  run('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn']);
const children = [
  spawn('npx', ['--no-install', 'tsx', 'server/main.ts'], { cwd: root, stdio: 'inherit' }),
  spawn('npx', ['--no-install', 'vite'], { cwd: root, stdio: 'inherit' }),
];
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => children.forEach((child) => child.kill(signal)));
