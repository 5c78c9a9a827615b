import { defineConfig } from 'vite';
import { ENTRIES, PROGRAMS } from './lib/build.mjs';
import { ROOT } from './lib/paths.mjs';

/** Packages that load parts of themselves by name, or that are another thing to who imports them than to who requires them. */
const LEFT_OUTSIDE = ['exceljs', 'mariadb', 'moment', 'moment-timezone', 'pino', 'umzug'];

/**
 * How the programs are built (lib/build.mjs). Packages go with them: to look for hundreds of small files takes longer
 * than all else that a start does.
 */
export default defineConfig({
  root: ROOT,
  ssr: { noExternal: true, external: LEFT_OUTSIDE },
  build: {
    ssr: true,
    sourcemap: true,
    target: 'node20',
    outDir: PROGRAMS,
    emptyOutDir: true,
    rolldownOptions: {
      input: ENTRIES,
      /* Of a database that is not used here. */
      external: ['pg-hstore'],
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
