import { fileURLToPath } from 'node:url';
import { build } from 'vite';
import type { TestProject } from 'vitest/node';

declare module 'vitest' {
  export interface ProvidedContext {
    /** the folder in which the commands stand, each in one file */
    commands: string;
  }
}

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const COMMANDS = ['card', 'compute', 'lines'] as const;

/**
 * The commands in one file each: loading them from their sources takes longer than what they do, and they
 * are run many times.
 */
export default async function setup(project: TestProject): Promise<void> {
  const folder = `${ROOT}node_modules/.cache/bienestar-cli`;
  await build({
    root: ROOT,
    configFile: false,
    logLevel: 'error',
    build: {
      ssr: true,
      target: 'node20',
      outDir: folder,
      emptyOutDir: true,
      rolldownOptions: {
        input: Object.fromEntries(COMMANDS.map((name) => [name, `${ROOT}cli/${name}.ts`])),
        external: /^(?!@bienestar\/)[^./]/,
        output: { entryFileNames: '[name].mjs' },
      },
    },
  });
  project.provide('commands', folder);
}
