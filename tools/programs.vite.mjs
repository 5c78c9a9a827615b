import { defineConfig } from 'vite';
import { ENTRIES, PROGRAMS } from './lib/build.mjs';
import { ROOT } from './lib/paths.mjs';

/** How the programs are built (lib/build.mjs); packages stay outside, they are there already. */
export default defineConfig({
  root: ROOT,
  build: {
    ssr: true,
    sourcemap: true,
    target: 'node20',
    outDir: PROGRAMS,
    emptyOutDir: true,
    rolldownOptions: {
      input: ENTRIES,
      external: /^(?!@bienestar\/)[^./]/,
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
