import type { store as appStore } from '../store/store';

/**
 * Makes it as if something had been read already.
 * @param name of the endpoint
 * @param of which one is asked for
 */
export async function readAlready(
  store: typeof appStore,
  name: 'countHistory' | 'loggedVisit',
  of: string,
  data: object,
): Promise<void> {
  const { api } = await import('../store/api');
  const read = api.util.upsertQueryData as unknown as (
    ...what: [name: string, of: string, data: object]
  ) => Parameters<typeof store.dispatch>[0];
  store.dispatch(read(name, of, data));
}
