import { IDBFactory } from 'fake-indexeddb';
import { vi } from 'vitest';
import type * as Api from '../store/api';
import type * as Store from '../store/store';
import { workersInNode } from './workers/workerInNode';

/** The app as it was loaded, which all tests of a worker share. */
interface LoadedApp {
  readonly indexedDB: IDBFactory;
  readonly app: typeof Store;
  readonly api: typeof Api.api;
  /** what it knows before it has read or written anything */
  readonly before: unknown;
}

let loaded: LoadedApp | undefined;

/** Who answers the app. */
type Network = typeof fetch;

/** Nobody does. */
export const cut: Network = () => Promise.reject(new TypeError('the network is cut'));

/**
 * The app in a browser of its own, with nothing in it. It is loaded once in a worker, since that takes longer than
 * most tests; what it shows is imported afterwards.
 */
export async function emptyApp(network: Network): Promise<LoadedApp> {
  localStorage.clear();
  sessionStorage.clear();
  if (loaded) await emptyDatabases(loaded.indexedDB);
  return openedApp(network);
}

/** The app as it is when its window is opened again: what the browser keeps is there. */
export async function openedApp(network: Network): Promise<LoadedApp> {
  vi.stubGlobal('matchMedia', () => Object.assign(new EventTarget(), { matches: false }));
  vi.stubGlobal('fetch', network);
  vi.stubGlobal('Worker', workersInNode(network === cut ? undefined : location.href));
  giveWhatIsLacking();
  if (!loaded) return (loaded = await loadApp());
  vi.stubGlobal('indexedDB', loaded.indexedDB);
  closeApp();
  const { opened } = await import('../store/outbox/queue');
  loaded.app.store.dispatch(opened());
  return loaded;
}

/** Closes the window of the app: what it was about to send is not sent. */
export function closeApp(): void {
  if (!loaded) return;
  const { store, outbox, reducer } = loaded.app;
  for (const { id } of store.getState().queue.writes) outbox.drop(id);
  store.dispatch(loaded.api.util.resetApiState());
  const { before } = loaded;
  store.replaceReducer(() => before as ReturnType<typeof reducer>);
  store.replaceReducer(reducer);
}

async function loadApp(): Promise<LoadedApp> {
  const indexedDB = new IDBFactory();
  vi.stubGlobal('indexedDB', indexedDB);
  const app = await import('../store/store');
  const { api } = await import('../store/api');
  return { indexedDB, app, api, before: app.store.getState() };
}

async function emptyDatabases(factory: IDBFactory): Promise<void> {
  for (const { name } of await factory.databases()) {
    if (name === undefined) continue;
    const request = factory.open(name);
    await new Promise((resolve) => (request.onsuccess = resolve));
    const { result } = request;
    for (const store of result.objectStoreNames) {
      result.transaction(store, 'readwrite').objectStore(store).clear();
    }
    result.close();
  }
}

/** What jsdom has not, since it lays nothing out: nothing is told of sizes. */
function giveWhatIsLacking(): void {
  const nothing = (): undefined => undefined;
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe = nothing;
      unobserve = nothing;
      disconnect = nothing;
    },
  );
  vi.stubGlobal('getComputedStyle', ownStyle);
  /* Nothing has a size here, and lists draw what is in sight: all of it is. */
  for (const size of ['clientHeight', 'clientWidth']) {
    Object.defineProperty(Element.prototype, size, { configurable: true, get: () => 8_000 });
  }
  for (const kind of [
    HTMLInputElement,
    HTMLSelectElement,
    HTMLTextAreaElement,
    HTMLButtonElement,
  ]) {
    Object.defineProperty(kind.prototype, 'labels', { configurable: true, get: labelsOf });
  }
  Object.assign(HTMLCanvasElement.prototype, { getContext: blankPaper });
  Object.assign(Element.prototype, {
    scrollIntoView: nothing,
    hasPointerCapture: () => false,
    setPointerCapture: nothing,
    releasePointerCapture: nothing,
  });
}

/** What charts are drawn on, where nothing is drawn. */
function blankPaper(this: HTMLCanvasElement): object {
  const nothing = (): undefined => undefined;
  const known: Record<string | symbol, unknown> = {
    canvas: this,
    measureText: () => ({ width: 0, actualBoundingBoxAscent: 0, actualBoundingBoxDescent: 0 }),
    createLinearGradient: () => ({ addColorStop: nothing }),
    createPattern: () => null,
  };
  return new Proxy(known, { get: (own, name) => (name in own ? own[name] : nothing) });
}

/** The labels of a field, for each of which jsdom would read the whole document. */
function labelsOf(this: HTMLElement): HTMLLabelElement[] {
  const naming =
    this.id === '' ? [] : document.querySelectorAll<HTMLLabelElement>(`label[for="${this.id}"]`);
  const around = this.closest('label');
  return [...new Set(around ? [around, ...naming] : naming)];
}

/** There are no style sheets here: what an element says of itself is all of its style. */
function ownStyle(element: HTMLElement): object {
  const { style } = element;
  const initial: Readonly<Record<string, string>> = {
    display: element.hidden ? 'none' : 'block',
    visibility: 'visible',
    'pointer-events': 'auto',
  };
  const valueOf = (name: string): string => style.getPropertyValue(name) || (initial[name] ?? '');
  return {
    getPropertyValue: valueOf,
    display: valueOf('display'),
    visibility: valueOf('visibility'),
    pointerEvents: valueOf('pointer-events'),
  };
}
