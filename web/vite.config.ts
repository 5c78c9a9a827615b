import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** The package offers bundlers its build with warnings for developers; this one has none. */
const ROUTER = new URL('../node_modules/react-router/dist/production/index.mjs', import.meta.url);

export default defineConfig(({ command }) => ({
  root: import.meta.dirname,
  /* The compiler remembers what a view has drawn, so that a keystroke draws anew only what it changed. */
  plugins: [react({ compiler: true }), tailwindcss()],
  resolve:
    command === 'build'
      ? { alias: [{ find: /^react-router$/, replacement: ROUTER.pathname }] }
      : {},
  /* Browsers that know es2023 know modulepreload, too. */
  build: {
    manifest: true,
    target: 'es2023',
    modulePreload: { polyfill: false },
    /* The first view names every part that may be asked for, so the names are short; the manifest has what is in
       each. */
    rolldownOptions: { output: { chunkFileNames: 'assets/[hash:8].js' } },
  },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
}));
