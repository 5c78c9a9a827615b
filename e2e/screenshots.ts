import { mkdir } from 'node:fs/promises';
import { launchBrowser } from './support/browser';
import { serveHouse } from './support/servedHouse';

/* npm run screenshots — takes docs/screenshots/ anew from the demo house. Build the web app first. */

interface View {
  readonly name: string;
  readonly path: string;
  readonly theme?: 'dim';
  /** the label with which the name of a control begins that is pressed first */
  readonly press?: string;
}

const VIEWS: readonly View[] = [
  { name: 'workbench', path: '/protocols/black-sand-clay-facial/cleanse' },
  { name: 'workbench-layers-dim', path: '/protocols/layered-fruit-acid/acid', theme: 'dim' },
  { name: 'working', path: '/protocols/black-sand-clay-facial/cleanse', press: 'Price: ' },
  { name: 'protocols', path: '/protocols' },
  { name: 'shelf', path: '/shelf/prickly-pear-milk' },
  { name: 'menu', path: '/menu/acid-first' },
  { name: 'restock', path: '/restock' },
  { name: 'house', path: '/house' },
];

const folder = new URL('../docs/screenshots/', import.meta.url);
await mkdir(folder, { recursive: true });
const house = await serveHouse();
const browser = await launchBrowser();
const page = await browser.newPage();
await page.setViewport({ width: 1280, height: 800 });
await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
await page.goto(house.url, { waitUntil: 'load' });
for (const { name, path, theme, press } of VIEWS) {
  await page.evaluate(
    (wanted) => localStorage.setItem('bienestar.theme', wanted),
    theme ?? 'light',
  );
  await page.goto(`${house.url}${path}`, { waitUntil: 'networkidle2' });
  if (press !== undefined) {
    await page.locator(`button[aria-label^="${press}"]`).click();
    await page.waitForSelector('[role=dialog]');
    await page.$$eval('[role=dialog] details', (all) =>
      all.slice(0, 1).forEach((each) => (each.open = true)),
    );
  }
  await page.screenshot({ path: `${folder.pathname}${name}.png` as `${string}.png` });
}
await browser.close();
await house.close();
