import react from '@vitejs/plugin-react';
import { readFileSync } from 'node:fs';
import { defineConfig } from 'vite';
import { serviceWorker } from './scripts/service-worker.ts';
import { MOVENET_WEIGHTS, POSE_WEIGHTS } from './scripts/weights-packages.ts';
import { workerLicenses } from './scripts/worker-licenses.ts';

const isolation = { 'Cross-Origin-Opener-Policy': 'same-origin', 'Cross-Origin-Embedder-Policy': 'require-corp' };

const LICENSES = 'third-party.md';
// The server answers only to its own name.
const address = 'http://127.0.0.1:4173';
const behind = { target: address, changeOrigin: true, headers: { origin: address } };

const { version } = JSON.parse(readFileSync(new URL('package.json', import.meta.url), 'utf8')) as { version: string };

export default defineConfig({
  define: { __VERSION__: JSON.stringify(version) },
  plugins: [
    react(),
    workerLicenses(
      LICENSES,
      [
        '@mediapipe/tasks-vision',
        '@tensorflow/tfjs-backend-wasm',
        '@tensorflow/tfjs-converter',
        '@tensorflow/tfjs-core',
        'fft.js',
        'mediabunny',
        'workbox-cacheable-response',
        'workbox-core',
        'workbox-precaching',
        'workbox-range-requests',
        'workbox-routing',
        'workbox-strategies',
      ],
      [POSE_WEIGHTS, MOVENET_WEIGHTS],
    ),
    serviceWorker({
      entry: 'src/app/service-worker.ts',
      fileName: 'service-worker.js',
      whenNeeded: { '/models/': 'public/models', '/wasm/': 'public/wasm', '/demo-data/': 'demo/clips' },
    }),
  ],
  worker: { format: 'es' },
  build: { target: 'es2023', chunkSizeWarningLimit: 2000, license: { fileName: LICENSES } },
  server: { headers: isolation, proxy: { '/demo-data': behind, '/conversions': behind } },
});
