import { existsSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { createApp } from './app';
import { Conversions, sweepFolders } from './conversions';
import { TEXT } from '../src/text/server';

/** tsx server/main.ts [--port N] [--open-at PATH]: serves the built application on this machine only. */
const root = path.join(import.meta.dirname, '..');
const option = (name: string): string | undefined => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};

const given = option('port') ?? process.env['PORT'] ?? '4173';
const port = Number(given);
if (!Number.isInteger(port) || port < 0 || port > 65535) {
  console.error(TEXT.isNotPortGiveNumber(given));
  process.exit(2);
}
const dist = path.join(root, 'dist');
if (!existsSync(path.join(dist, 'index.html'))) {
  console.error(TEXT.applicationIsNotBuiltYet);
  process.exit(2);
}

const conversions = new Conversions();
await sweepFolders();
// Express hands an error to its own callback too, as if the server were listening.
const server = createApp({ dist, demo: path.join(root, 'demo', 'clips'), conversions }).listen(port, '127.0.0.1');
server.on('listening', () => {
  const address = server.address() as AddressInfo;
  console.log(TEXT.proudFalconIsRunningOpen(address.port, option('open-at') ?? '/'));
});
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(error.code === 'EADDRINUSE' ? TEXT.portIsTakenIsApplication(port) : error.message);
  process.exit(1);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => void conversions.endAll().then(() => process.exit(0)));
}
