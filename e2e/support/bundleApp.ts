import { fileURLToPath } from 'node:url';
import { build } from 'vite';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));

/** The app and who is at it in one file, as it is shipped: loading its sources takes longer than what is done there. */
export async function bundleApp(): Promise<string> {
  const outDir = `${ROOT}node_modules/.cache/bienestar-app`;
  await build({
    root: ROOT,
    configFile: false,
    logLevel: 'error',
    /* What tests share with it, and what is loaded by name. */
    ssr: { noExternal: true, external: ['vitest', 'exceljs', 'fake-indexeddb'] },
    oxc: { jsx: { runtime: 'automatic', development: false } },
    build: {
      ssr: true,
      target: 'node20',
      outDir,
      emptyOutDir: true,
      rolldownOptions: {
        input: `${ROOT}web/testing/inDocument.ts`,
        output: { entryFileNames: '[name].mjs', codeSplitting: false },
      },
    },
  });
  return `${outDir}/inDocument.mjs`;
}
