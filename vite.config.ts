import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const isolation = { 'Cross-Origin-Opener-Policy': 'same-origin', 'Cross-Origin-Embedder-Policy': 'require-corp' };

// The server answers only to its own name.
const address = 'http://127.0.0.1:4173';
const behind = { target: address, changeOrigin: true, headers: { origin: address } };

export default defineConfig({
  plugins: [react()],
  worker: { format: 'es' },
  build: { target: 'es2023', chunkSizeWarningLimit: 2000 },
  server: { headers: isolation, proxy: { '/demo-data': behind, '/conversions': behind } },
});
