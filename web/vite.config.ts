import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwindcss()],
  build: { manifest: true, target: 'es2023' },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
