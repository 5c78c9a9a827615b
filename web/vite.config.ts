import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** The package offers bundlers its build with warnings for developers; this one has none. */
const ROUTER = new URL('../node_modules/react-router/dist/production/index.mjs', import.meta.url);

/** What a tablet on a trolley keeps, so that the room opens without network; it is taken when the room is gone to. */
const offline = VitePWA({
  injectRegister: null,
  showMaximumFileSizeToCacheInBytesWarning: true,
  registerType: 'autoUpdate',
  manifest: {
    name: 'Bienestar',
    short_name: 'Bienestar',
    start_url: '/room',
    display: 'standalone',
    background_color: '#f6f1e7',
    theme_color: '#f6f1e7',
    icons: [{ src: '/leaf.svg', sizes: 'any', type: 'image/svg+xml' }],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,woff2}'],
    /* Not what writes workbooks and PDFs: nobody needs them in the room. */
    maximumFileSizeToCacheInBytes: 600_000,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    navigateFallback: null,
    runtimeCaching: [
      {
        urlPattern: ({ request }) => request.mode === 'navigate',
        handler: 'NetworkFirst',
        options: { cacheName: 'pages', precacheFallback: { fallbackURL: '/index.html' } },
      },
      {
        urlPattern: ({ url }) => url.pathname === '/api/house',
        handler: 'NetworkFirst',
        options: { cacheName: 'house' },
      },
    ],
  },
});

export default defineConfig(({ command }) => ({
  root: import.meta.dirname,
  /* The compiler remembers what a view has drawn, so that a keystroke draws anew only what it changed. */
  plugins: [react({ compiler: true }), tailwindcss(), offline],
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
    rolldownOptions: { output: { chunkFileNames: 'assets/[hash:7].js' } },
  },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
}));
