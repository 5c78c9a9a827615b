import { fileURLToPath } from 'node:url';
import { build } from 'vite';

/** What runs in each page of a journey, as one script. */
export async function bundleInPage(): Promise<string> {
  const made = await build({
    configFile: false,
    logLevel: 'silent',
    build: {
      write: false,
      minify: false,
      lib: {
        entry: fileURLToPath(new URL('./inPage.ts', import.meta.url)),
        formats: ['iife'],
        name: 'inPage',
      },
    },
  });
  for (const output of [made].flat()) if ('output' in output) return output.output[0].code;
  throw new Error('Nothing was bundled.');
}
