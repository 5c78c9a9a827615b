import { API } from '@bienestar/contract/api';
import { whenIdle } from '../../parts/whenIdle';

/** As the service worker names it. */
const HOUSE_CACHE = 'house';

/**
 * Takes the app and the house along, so that the room opens without network from now on. A browser that cannot keep
 * them goes on without.
 */
export function takeAlong(): () => void {
  return whenIdle(() => {
    keep().catch(() => undefined);
  });
}

async function keep(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  await navigator.serviceWorker.register('/sw.js');
  await navigator.serviceWorker.ready;
  const house = await caches.open(HOUSE_CACHE);
  await house.add(`${API}/house`);
  document.documentElement.dataset['offline'] = 'ready';
}
