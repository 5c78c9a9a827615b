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
  const [output] = Array.isArray(made) ? made : [made];
  if (!output || !('output' in output)) throw new Error('Nothing was bundled.');
  return output.output[0].code;
}
