import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compressed } from './compressed.ts';
import { preloads } from './preloads.ts';

export default defineConfig({
  plugins: [react(), preloads(), compressed()],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1000,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:5170' } },
});
