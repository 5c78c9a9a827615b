import { beforeEach, expect, it } from 'vitest';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const asked = { times: 0 };

/** What can be done to two materials that are ticked, alone. */
beforeEach(async () => {
  asked.times = 0;
  await person.openApp('/', async () => {
    const { TickedBar } = await import('./TickedBar');
    const { useHouse } = await import('../../store/house');
    const Two = () => (
      <TickedBar
        materials={useHouse()
          .materials.filter(({ kind }) => kind === 'back-bar')
          .slice(0, 2)}
        onDone={() => {
          asked.times += 1;
        }}
      />
    );
    return [{ path: '*', element: <Two /> }];
  });
  await person.sees('2 ticked:');
});

it('changes nothing by the figure that was there before what cannot be taken', async () => {
  await person.fill('Change of price', '5');
  await person.fill('Change of price', '5 %?');
  await person.click('button', 'Change all');
  await person.sees('Nothing was entered: put “Change of price” right first.');
  expect(asked.times).toBe(0);
});

it.each([
  ['-100', 'From −99 to 1000 %.'],
  ['1001', 'From −99 to 1000 %.'],
])('does not take %s for a change of prices', async (typed, says) => {
  await person.fill('Change of price', typed);
  await person.sees(says);
});

it('asks for what is chosen: a discount, a supplier, or nothing more', async () => {
  await person.choose('What changes', 'discount becomes');
  await person.fill('New discount', '101');
  await person.sees('Must be from 0 to 100 %.');
  await person.choose('What changes', 'packs come from');
  await person.find('combobox', 'New supplier');
  await person.choose('What changes', 'into the archive, or out');
  await person.seesNot('New supplier');
});
