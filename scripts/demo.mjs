// npm run demo: installs what is missing, builds, and serves the application with its demo data.
import { spawn } from 'node:child_process';
import { installPackages, prepareModels, root, run } from './setup.mjs';

installPackages();
prepareModels();
run('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn']);
const server = spawn('npx', ['--no-install', 'tsx', 'server/main.ts', '--open-at', '/demo'], {
  cwd: root,
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
