import { byRole } from '../../web/testing/byRole';

/*
 * Runs in the page: finds things as a screen reader tells of them, and waits for them there, so that they are
 * looked for again when something has changed and not by the clock.
 */

/** How one more change is waited for at most: what is typed in a field changes nothing in the document. */
const LOOKED_AGAIN_MS = 250;
/** Many changes in a row are looked at together. */
const TOGETHER_MS = 15;

const inPage = { whenThere, whenPressable, whenShown, whenGone, whenSaved };

declare global {
  interface Window {
    inPage: typeof inPage;
  }
}
window.inPage = inPage;

/** What is looked for, as soon as it is there; nothing when time is over. */
async function when<T>(look: () => T | undefined, withinMs: number): Promise<T | undefined> {
  for (const until = performance.now() + withinMs; ;) {
    const seen = look();
    if (seen !== undefined || performance.now() > until) return seen;
    await nextChange();
    await passed(TOGETHER_MS);
  }
}

function nextChange(): Promise<void> {
  return new Promise((resolve) => {
    const observer = new MutationObserver(done);
    const timer = setTimeout(done, LOOKED_AGAIN_MS);
    observer.observe(document, {
      subtree: true,
      childList: true,
      attributes: true,
      characterData: true,
    });
    function done(): void {
      observer.disconnect();
      clearTimeout(timer);
      resolve();
    }
  });
}

function passed(ms: number): Promise<void> {
  return new Promise((resolve) => void setTimeout(resolve, ms));
}

/** The thing of that role and name. */
async function whenThere(role: string, name: string, withinMs: number): Promise<Element | null> {
  return (await when(() => byRole(role, name), withinMs)) ?? null;
}

/** Where something can be pressed, and what the next press hits. */
export interface Target {
  readonly x: number;
  readonly y: number;
  /** the element itself is what lies there, not what holds it */
  readonly isInside: boolean;
  hit?: 'element' | 'another';
}

/** Where the thing of that role and name is to be pressed, once it is enabled and holds still. */
async function whenPressable(role: string, name: string, withinMs: number): Promise<Target | null> {
  let last: { readonly x: number; readonly y: number } | undefined;
  for (const until = performance.now() + withinMs; performance.now() < until;) {
    const element = await when(() => byRole(role, name), until - performance.now());
    if (!element) return null;
    const point = pointOf(element);
    /* Told by where it is twice running, not by frames: a busy machine may draw none for long. */
    if (point && last && point.x === last.x && point.y === last.y) return listen(element, point);
    last = point;
    await passed(TOGETHER_MS);
  }
  return null;
}

/** Hears on what the next press goes down and comes up; a list or menu opens as it goes down. */
function listen(element: Element, point: Omit<Target, 'hit'>): Target {
  const target: Target = { ...point };
  const hitBy = ({ target: on }: Event): NonNullable<Target['hit']> =>
    on instanceof Node && element.contains(on) ? 'element' : 'another';
  const once = { once: true, capture: true };
  const opens = element.matches('[aria-haspopup], [role=combobox]');
  addEventListener(
    'pointerdown',
    (down) => {
      if (opens || hitBy(down) === 'another') target.hit = hitBy(down);
      else addEventListener('pointerup', (up) => (target.hit = hitBy(up)), once);
    },
    once,
  );
  return target;
}

/** Where to press an element, if it is enabled and nothing lies over it. */
function pointOf(element: Element): Omit<Target, 'hit'> | undefined {
  if (element.matches(':disabled')) return undefined;
  element.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  const { left, top, width, height } = element.getBoundingClientRect();
  const [x, y] = [left + width / 2, top + height / 2];
  const hit = document.elementFromPoint(x, y);
  const isInside = element.contains(hit);
  const isThere = hit !== null && (isInside || hit.contains(element));
  return width > 0 && height > 0 && isThere ? { x, y, isInside } : undefined;
}

/** A pattern of what is shown: words, or the source and flags of a regular expression. */
export type Shown = string | readonly [source: string, flags: string];

function isShown(shown: Shown): boolean {
  const { innerText } = document.body;
  return typeof shown === 'string'
    ? innerText.includes(shown)
    : new RegExp(...shown).test(innerText);
}

async function whenShown(shown: Shown, withinMs: number): Promise<boolean> {
  return (await when(() => isShown(shown) || undefined, withinMs)) ?? false;
}

/** Whether it goes, and stays away. */
async function whenGone(
  shown: Shown,
  withinMs: number,
  staysMs: number,
): Promise<'gone' | 'there' | 'back'> {
  const isGone = await when(() => !isShown(shown) || undefined, withinMs);
  if (isGone !== true) return 'there';
  return (await when(() => isShown(shown) || undefined, staysMs)) === true ? 'back' : 'gone';
}

async function whenSaved(withinMs: number): Promise<boolean> {
  const says = (): true | undefined =>
    [...document.querySelectorAll('[role=status]')].some(
      ({ textContent }) => textContent === 'saved',
    ) || undefined;
  return (await when(says, withinMs)) ?? false;
}
