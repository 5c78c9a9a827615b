import { createRequire } from 'node:module';
import { readdirSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, type Plugin } from 'vite';

declare module 'vitest' {
  export interface ProvidedContext {
    /** the folder in which the workers stand, each to be run by a thread of Node */
    workers: string;
  }
}

const ROOT = fileURLToPath(new URL('../../..', import.meta.url));
const WORKERS = `${ROOT}web/workers/`;

/** Where a file lies that the browser would fetch: Node reads it from there. */
const filesInPlace: Plugin = {
  name: 'files-in-place',
  enforce: 'pre',
  resolveId(asked, importer) {
    if (!asked.endsWith('?url') || importer === undefined) return null;
    const name = asked.slice(0, -'?url'.length);
    return `\0file:${createRequire(importer).resolve(name.startsWith('.') ? join(dirname(importer), name) : name)}`;
  },
  load: (id) =>
    id.startsWith('\0file:')
      ? `export default ${JSON.stringify(id.slice('\0file:'.length))}`
      : null,
};

/**
 * The workers of the app as Node runs them, bundled: loading their sources takes longer than most of what they do.
 * @returns the folder in which they stand
 */
export async function bundleWorkers(): Promise<string> {
  const outDir = `${ROOT}node_modules/.cache/bienestar-workers`;
  const files = readdirSync(WORKERS).filter((name) => name.includes('.worker.'));
  const input = Object.fromEntries(
    files.map((name) => [basename(name).replace(/\.tsx?$/, ''), WORKERS + name]),
  );
  await build({
    root: ROOT,
    configFile: false,
    logLevel: 'error',
    plugins: [filesInPlace],
    oxc: { jsx: { runtime: 'automatic', development: false } },
    build: {
      ssr: true,
      target: 'node20',
      outDir,
      emptyOutDir: true,
      rolldownOptions: {
        input: { ...input, thread: `${ROOT}web/testing/workers/thread.ts` },
        external: (id) => /^(?!@bienestar\/)[^./\0]/.test(id) && !id.endsWith('?url'),
        output: { entryFileNames: '[name].mjs', chunkFileNames: '[name]-[hash].mjs' },
      },
    },
  });
  return outDir;
}
