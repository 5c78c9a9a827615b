import { mkdir } from 'node:fs/promises';
import { launchBrowser } from './support/browser';
import { startStandIns } from '../tools/lib/standIns.mjs';
import { makeHouse, serveHouse } from './support/servedHouse';

/* npm run screenshots — takes docs/screenshots/ anew from the demo house. Build the web app first. */

interface View {
  readonly name: string;
  readonly path: string;
  readonly theme?: 'dim';
  /** words of a button that is pressed first, and what is seen then */
  readonly click?: readonly [string, string];
  /** what is waited for */
  readonly seen?: string;
  /** words of buttons that are pressed one after the other */
  readonly through?: readonly string[];
}

const VIEWS: readonly View[] = [
  { name: 'workbench', path: '/protocols/black-sand-clay-facial/cleanse' },
  { name: 'protocols', path: '/protocols' },
  { name: 'shelf', path: '/shelf/cactus-serum' },
  { name: 'menu', path: '/menu/acid-first' },
  { name: 'price', path: '/menu/lift/price' },
  { name: 'what-if', path: '/menu/what-if' },
  { name: 'guest-menu', path: '/menu/guests' },
  { name: 'restock-today', path: '/restock' },
  { name: 'look-ahead', path: '/restock/levels/copper-ampoule', seen: 'Of 400 runs' },
  { name: 'week', path: '/week', seen: 'gives out' },
  { name: 'worth', path: '/week/worth', seen: 'The visits that bring most' },
  {
    name: 'day',
    path: '/week/day',
    click: ['Pumice and oil', 'Where does it fit?'],
    through: ['Where does it fit?'],
  },
  { name: 'house', path: '/house' },
  {
    name: 'zone-map',
    path: '/protocols/prickly-pear-calm/calming-mask-on',
    through: ['change zones'],
  },
  { name: 'card', path: '/protocols/fine-needle-renewal/card' },
  { name: 'logbook', path: '/logbook/visit-0480', seen: 'planned above, done below' },
  {
    name: 'lesson',
    path: '/logbook/teaches/amount/pumice-body-polish/d42/night-jasmine-oil',
    seen: 'that move',
  },
  /* The last: it leaves a draft behind. */
  { name: 'order', path: '/restock', click: ['Write the order', 'being written'] },
];

const folder = new URL('../docs/screenshots/', import.meta.url);
await mkdir(folder, { recursive: true });
const made = await makeHouse(() => Promise.resolve());
const outside = await startStandIns(() => undefined);
const house = await serveHouse(made.folder, outside.env);
const browser = await launchBrowser();
const page = await browser.newPage();
await page.setViewport({ width: 1280, height: 800 });
await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
await page.goto(house.url, { waitUntil: 'load' });
for (const { name, path, theme, click, seen, through = [] } of VIEWS) {
  await page.evaluate(
    (wanted) => localStorage.setItem('bienestar.theme', wanted),
    theme ?? 'light',
  );
  await page.goto(`${house.url}${path}`, { waitUntil: 'networkidle2' });
  if (seen !== undefined) await page.waitForSelector(`::-p-text(${seen})`);
  if (click !== undefined) {
    const [button, seen] = click;
    await page.locator(`::-p-text(${button})`).click();
    await page.waitForSelector(`::-p-text(${seen})`);
  }
  for (const words of through) {
    const found = await page.waitForSelector(`button ::-p-text(${words})`);
    await found?.evaluate((element) => {
      const button = element.closest('button') ?? (element as HTMLElement);
      button.click();
      button.scrollIntoView({ block: 'nearest' });
    });
  }
  await page.screenshot({ path: `${folder.pathname}${name}.png` as `${string}.png` });
}
await visitInTheRoom();
await browser.close();

/** A visit in the middle of its acid, in the dim light. */
async function visitInTheRoom(): Promise<void> {
  const press = async (words: string): Promise<void> => {
    const found = await page.waitForSelector(`#place button ::-p-text(${words})`);
    await found?.evaluate((element) => element.closest('button')?.click());
  };
  await page.evaluate(() => localStorage.setItem('bienestar.theme', 'dim'));
  await page.goto(`${house.url}/room`, { waitUntil: 'networkidle2' });
  for (const words of ['Fruit-acid renewal', 'Ione', 'To the tray', 'The room is taken'])
    await press(words);
  const inHand = () => page.$eval('#place h1', (element) => element.textContent);
  while ((await inHand()) !== 'Contact time, watch the skin') {
    const usual = await page.$('[aria-label="To decide"] button');
    if (usual) await usual.click();
    else await page.keyboard.press('Space');
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  await new Promise((resolve) => setTimeout(resolve, 4_000));
  await page.screenshot({ path: `${folder.pathname}room.png` as `${string}.png` });
}
await house.close();
await outside.stop();
await made.close();
