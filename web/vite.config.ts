import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compressed } from './compressed.ts';
import { keeper } from './keeper.ts';
import { preloads } from './preloads.ts';

export default defineConfig({
  plugins: [react(), preloads(), keeper(), compressed()],
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1000,
    // Every station asks for these; as one file they are a kilobyte less on the wire than as ten.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'choices',
              test: /web\/src\/(ui\/(Choice|OnOff|Scale|ColourField)\.|ui\/fields\/|slip\/)/,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:5170' } },
});
