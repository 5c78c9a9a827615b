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
  /** words of a button that is pressed first, and what is seen then */
  readonly click?: readonly [string, string];
  /** what is filled in first, by the label of its field, and what is seen then */
  readonly fill?: {
    readonly fields: readonly (readonly [string, string])[];
    readonly seen: string;
  };
  /** what is waited for */
  readonly seen?: string;
  /** words of buttons that are pressed one after the other */
  readonly through?: readonly string[];
}

const VIEWS: readonly View[] = [
  { name: 'workbench', path: '/protocols/black-sand-clay-facial/cleanse' },
  { name: 'workbench-layers-dim', path: '/protocols/layered-fruit-acid/acid', theme: 'dim' },
  { name: 'working', path: '/protocols/black-sand-clay-facial/cleanse', press: 'Price: ' },
  { name: 'protocols', path: '/protocols' },
  { name: 'shelf', path: '/shelf/cactus-serum' },
  { name: 'pack-adviser', path: '/shelf/prickly-pear-milk/bought?compare=packs' },
  {
    name: 'price-list',
    path: '/price-lists/northquay',
    click: ['Fetch the list of today', 'What it does to the menu'],
  },
  { name: 'menu', path: '/menu/acid-first' },
  { name: 'price', path: '/menu/lift/price' },
  { name: 'menu-map', path: '/menu/map' },
  { name: 'what-if', path: '/menu/what-if' },
  { name: 'what-moved', path: '/menu/margins', seen: 'Price and cost over time' },
  { name: 'guest-menu', path: '/menu/guests' },
  { name: 'restock', path: '/restock' },
  { name: 'house', path: '/house' },
  {
    name: 'zone-map',
    path: '/protocols/prickly-pear-calm/calming-mask-on',
    through: ['change zones'],
  },
  { name: 'card', path: '/protocols/fine-needle-renewal/card' },
  { name: 'tray', path: '/protocols/prickly-pear-calm/tray' },
  {
    name: 'ribbon-conflict',
    path: '/protocols/black-sand-clay-facial/hands',
    fill: {
      fields: [
        ['Minutes, most', '22'],
        ['Minutes, usual', '18'],
      ],
      seen: 'past the cap',
    },
  },
];

const folder = new URL('../docs/screenshots/', import.meta.url);
await mkdir(folder, { recursive: true });
const house = await serveHouse();
const browser = await launchBrowser();
const page = await browser.newPage();
await page.setViewport({ width: 1280, height: 800 });
await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
await page.goto(house.url, { waitUntil: 'load' });
for (const { name, path, theme, press, click, fill, seen, through = [] } of VIEWS) {
  await page.evaluate(
    (wanted) => localStorage.setItem('bienestar.theme', wanted),
    theme ?? 'light',
  );
  await page.goto(`${house.url}${path}`, { waitUntil: 'networkidle2' });
  if (seen !== undefined) await page.waitForSelector(`::-p-text(${seen})`);
  if (press !== undefined) {
    await page.locator(`button[aria-label^="${press}"]`).click();
    await page.waitForSelector('[role=dialog], [role=menu]');
    await page.$$eval('[role=dialog] details', (all) =>
      all.slice(0, 1).forEach((each) => (each.open = true)),
    );
  }
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
  if (fill) {
    for (const [label, text] of fill.fields) {
      const field = await page.waitForSelector(`::-p-aria([name="${label}"][role="textbox"])`);
      await field?.evaluate((element) => {
        (element as HTMLInputElement).focus();
        (element as HTMLInputElement).select();
      });
      await page.keyboard.type(text);
    }
    await page.waitForSelector(`::-p-text(${fill.seen})`);
  }
  await page.screenshot({ path: `${folder.pathname}${name}.png` as `${string}.png` });
}
await browser.close();
await house.close();
