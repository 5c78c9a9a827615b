import { expect, it } from 'vitest';
import { toldFirst } from './toldFirst';

it('an answer comes after all that was told on the way, however late that arrives', async () => {
  const arrived: string[] = [];
  const held: (() => void)[] = [];
  const tell = (told: string): Promise<void> =>
    new Promise((resolve) => {
      held.push(() => {
        arrived.push(told);
        resolve();
      });
    });
  const answer = toldFirst(tell, (say) => {
    say('a half');
    say('all of it');
    return 'the answer';
  }).then((of) => arrived.push(of));
  held[1]?.();
  /* A turn of everything that could be on its way. */
  await new Promise((resolve) => {
    setImmediate(resolve);
  });
  expect(arrived).toEqual(['all of it']);
  held[0]?.();
  await answer;
  expect(arrived).toEqual(['all of it', 'a half', 'the answer']);
});

it('what goes wrong on the way is the answer', async () => {
  await expect(
    toldFirst(
      () => undefined,
      () => Promise.reject(new Error('it cannot be read')),
    ),
  ).rejects.toThrow('it cannot be read');
});
