import { afterEach, expect, it, vi } from 'vitest';
import { unversioned, type Several } from '@bienestar/contract/api';
import { demoInBrowser } from '../testing/demoInBrowser';

afterEach(() => vi.unstubAllGlobals());

it('takes back what was written together before the house is read anew', async () => {
  const { store } = await demoInBrowser();
  const { api } = await import('./api');
  const { did } = await import('./undo');
  const { takeBack } = await import('./takeBack');
  void store.dispatch(api.endpoints.house.initiate());
  const houseAtHand = () => api.endpoints.house.select()(store.getState()).data;
  const before = houseAtHand()?.services.find(({ id }) => id === 'clay-facial');
  if (!before) throw new Error('The demo has no such service.');
  const after = { ...before, name: 'Quick facial', version: before.version + 1 };
  /* The write is answered; whoever reads the house, or writes on, waits. */
  vi.stubGlobal('fetch', ({ url }: Request) =>
    url.endsWith('/several')
      ? Promise.resolve(Response.json({ services: [after] }))
      : new Promise(() => undefined),
  );

  const several: Several = { services: [{ ...after, version: before.version }] };
  await store.dispatch(api.endpoints.saveSeveral.initiate(several)).unwrap();
  expect(houseAtHand()?.services).toContainEqual(after);

  const deed = did({
    kind: 'edit',
    part: 'services',
    name: before.name,
    before: unversioned(before),
    after: unversioned(after),
  });
  store.dispatch(deed);
  void store.dispatch(takeBack(deed.payload.key));
  await vi.waitFor(() =>
    expect(store.getState().queue.writes[0]?.change).toMatchObject({
      kind: 'edit',
      part: 'services',
      mine: { name: before.name },
    }),
  );
});
