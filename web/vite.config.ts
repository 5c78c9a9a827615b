import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  /* The compiler remembers what a view has drawn, so that a keystroke draws anew only what it changed. */
  plugins: [react({ compiler: true }), tailwindcss()],
  build: { manifest: true, target: 'es2023' },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
