import { beforeEach, expect, it, vi } from 'vitest';
import type { Happening, Run } from '@bienestar/core/house/run';
import type { SoldProduct } from '@bienestar/core/house/logbook';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const onHappens = vi.fn<(happening: Happening) => void>();
const protocol = DEMO.protocols.find(({ around }) => (around?.recommends?.length ?? 0) > 0);
const recommended = DEMO.materials.find(
  ({ id }) => id === protocol?.around?.recommends?.[0]?.materialId,
);
if (!protocol || !recommended) throw new Error('Nothing is recommended in the demo house.');
const { id: materialId, name } = recommended;

/** What was sold after a visit, alone. */
const open = (sold: readonly SoldProduct[], isOver: boolean): Promise<void> =>
  person.openApp('/', async () => {
    const { SoldAfter } = await import('./SoldAfter');
    const run = { protocol } as unknown as Run;
    const element = <SoldAfter run={run} sold={sold} isOver={isOver} onHappens={onHappens} />;
    return [{ path: '*', element }];
  });
beforeEach(() => void onHappens.mockClear());

it('begins with none, and offers what is recommended before the guest asks', async () => {
  await open([], false);
  await person.sees(`${name} recommended after this treatment`);
  expect((await person.find('button', `One ${name} less`)).matches(':disabled')).toBe(true);
  await person.click('button', `One ${name} more`);
  expect(onHappens.mock.calls).toEqual([[{ kind: 'sold', materialId, quantity: 1 }]]);
});

it('is one more and one less of what was said last', async () => {
  await open([{ materialId, quantity: 2 }], false);
  await person.sees('2 packs');
  await person.click('button', `One ${name} more`);
  await person.click('button', `One ${name} less`);
  expect(onHappens.mock.calls).toEqual([
    [{ kind: 'sold', materialId, quantity: 3 }],
    [{ kind: 'sold', materialId, quantity: 1 }],
  ]);
});

it('is only read once the visit is in the log: it would count nowhere', async () => {
  await open([{ materialId, quantity: 2 }], true);
  await person.sees('2 packs');
  await person.seesNot('none');
  expect(person.all('button')).toEqual([]);
});

it('is not spoken of where nothing was sold', async () => {
  await open([], true);
  await person.seesNot('What was sold');
});
