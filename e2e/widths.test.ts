import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freshHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

/* Screens of a desk, a laptop or a desk at 150 %, an upright tablet and a phone. */
const WIDTHS = [
  [1280, 800],
  [1024, 768],
  [853, 533],
  [768, 1024],
  [390, 844],
] as const;

type Place = readonly [path: string, seen: RegExp];

/** What is read and done on foot: nothing in it lies beside the screen. */
const ON_FOOT: readonly Place[] = [
  ['/restock', /Runs out before/i],
  ['/protocols/fine-needle-renewal/card', /hands on/i],
  ['/protocols/prickly-pear-calm/tray', /Tray: Prickly-pear/i],
  ['/shelf', /Prickly-pear cleansing milk/],
  ['/shelf/cactus-serum', /30 ml in 1 container/i],
  ['/restock/orders/order-32', /No. 32 to/i],
  ['/restock/counts/count-2', /Of what was used|Difference/i],
];
/** Where a wide table may be moved under the finger, but never the page. */
const AT_A_DESK: readonly Place[] = [
  ['/protocols', /New protocol/i],
  ['/protocols/black-sand-clay-facial/cleanse', /Full cost/i],
  ['/menu/acid-first', /Performed by/i],
  ['/menu/lift/price', /What to charge|Full cost/i],
  ['/menu/map', /What earns/i],
  ['/menu/adds-up', /Do slots hold/i],
  ['/menu/what-if', /Services compared|scenario/i],
  ['/menu/margins', /Price and cost over time/i],
  ['/menu/offers', /Remove this offer/i],
  ['/menu/guests', /Remove this menu/i],
  ['/restock/levels/copper-ampoule', /Twelve/i],
  ['/restock/demand', /Performed/i],
  ['/restock/risk', /as it is/i],
  ['/restock/orders', /New order to/i],
  ['/room', /In the book for today/i],
  ['/logbook', /480 visits/],
  ['/logbook/visit-0480', /planned above, done below/],
  ['/logbook/teaches', /lessons/],
  ['/logbook/foresees', /ended within their slot/],
  ['/week', /gives? out/],
  ['/week/worth', /The visits that bring most/],
  ['/week/pairs', /Which go together/],
  ['/week/day', /A visit more/],
  ['/week/played', /a thousand times/],
  ['/week/roster', /The week's pay/],
  ['/house', /Safe copies/i],
  ['/house/set-up', /question/i],
  ['/price-lists/northquay', /Fetch the list/i],
];

/** What goes wrong with the room of a page, in words. */
function faultsOfRoom(isOnFoot: boolean): string[] {
  const { scrollingElement: page } = document;
  const faults: string[] = [];
  if (!page) return ['no page'];
  if (page.scrollWidth > innerWidth) faults.push(`the page is ${page.scrollWidth} wide`);
  if (page.scrollHeight > innerHeight) faults.push(`the page is ${page.scrollHeight} high`);
  const scrolls = [...document.querySelectorAll('#place *')].filter((element) => {
    const { overflowY } = getComputedStyle(element);
    const isSeen = element.clientHeight > 0 && element.clientWidth > 0;
    return isSeen && (overflowY === 'auto' || overflowY === 'scroll');
  });
  const named = (element: Element): string =>
    element.getAttribute('aria-label') ?? element.className.slice(0, 60);
  for (const element of scrolls) {
    if (isOnFoot && element.scrollWidth > element.clientWidth + 1)
      faults.push(`${named(element)} goes sideways: ${element.scrollWidth}`);
    const around = scrolls.find(
      (other) =>
        other !== element && other.contains(element) && other.scrollHeight > other.clientHeight + 1,
    );
    if (around && element.scrollHeight > element.clientHeight + 1)
      faults.push(`${named(element)} scrolls within ${named(around)}`);
  }
  /* What can be pressed lies under nothing else. */
  for (const element of document.querySelectorAll('header button, header a, nav a')) {
    const { left, top, width, height } = element.getBoundingClientRect();
    const hit = document.elementFromPoint(left + width / 2, top + height / 2);
    const isSeen = width > 1 && top >= 0 && top + height <= innerHeight;
    if (isSeen && hit && !element.contains(hit) && !hit.contains(element))
      faults.push(`${element.textContent || named(element)} lies under something`);
  }
  return faults;
}

describe('at every width', () => {
  let person: Person;
  beforeAll(async () => {
    await freshHouse();
    person = await newPerson();
    await person.goTo('/protocols');
  });
  afterAll(async () => {
    await person.close();
  });

  it.each([...ON_FOOT, ...AT_A_DESK])('%s has room', async (path, seen) => {
    await person.moveTo(path);
    await person.sees(seen);
    const faults: string[] = [];
    for (const [width, height] of WIDTHS) {
      await person.page.setViewport({ width, height });
      await person.waitFor(
        () => person.page.evaluate((wide) => innerWidth === wide, width),
        'it is that wide',
      );
      const isOnFoot = ON_FOOT.some(([each]) => each === path);
      /* Charts and lists are laid out again after the window. */
      let found: string[] = [];
      await person
        .waitFor(async () => {
          found = await person.page.evaluate(faultsOfRoom, isOnFoot);
          return found.length === 0;
        }, 'there is room')
        .catch(() => undefined);
      faults.push(...found.map((fault) => `${width}: ${fault}`));
    }
    expect(faults).toEqual([]);
  });
});
