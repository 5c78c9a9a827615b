import type { Person } from './person';

/* Screens of a desk, a laptop or a desk at 150 %, an upright tablet and a phone. */
const WIDTHS = [
  [1280, 800],
  [1024, 768],
  [853, 533],
  [768, 1024],
  [390, 844],
] as const;

/**
 * Looks at the page as it is at every width, and leaves it at the first.
 * @param where what is read on foot goes nowhere beside the screen; at a desk a wide table may
 * @returns what has no room, with the width
 */
export async function faultsAtWidths(
  { page, waitFor }: Person,
  where: 'on-foot' | 'at-a-desk',
): Promise<string[]> {
  const faults: string[] = [];
  for (const [width, height] of WIDTHS) {
    await page.setViewport({ width, height });
    await waitFor(() => page.evaluate((wide) => innerWidth === wide, width), 'it is that wide');
    /* Charts and lists are laid out again after the window. */
    let found: string[] = [];
    await waitFor(async () => {
      found = await page.evaluate(faultsOfRoom, where === 'on-foot');
      return found.length === 0;
    }, 'there is room').catch(() => undefined);
    faults.push(...found.map((fault) => `${width}: ${fault}`));
  }
  const [[width, height]] = WIDTHS;
  await page.setViewport({ width, height });
  return faults;
}

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
