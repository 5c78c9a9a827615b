import { describe, expect, it } from 'vitest';
import type { LoggedVisitRead } from '@bienestar/contract/happened';
import { asId } from '@bienestar/core/house/ids';
import type { LogbookEntry, LogbookPlan } from '@bienestar/core/house/logbook';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';
import { readAlready } from '../../testing/readAlready';

const { logbook, logbookPlans, materials } = DEMO;

const person = eachAtTheApp();

/** A visit of the demo's log, read already, with what is said of it otherwise. */
async function open(
  id: string,
  otherwise: Partial<LogbookEntry> & { readonly takenBackAt?: string } = {},
): Promise<{ readonly entry: LogbookEntry; readonly plan: LogbookPlan }> {
  const known = logbook.find((each) => each.id === id);
  const plan = logbookPlans.find((each) => each.id === known?.planId);
  if (!known || !plan) throw new Error(`There is no ${id}.`);
  const entry = { ...known, ...otherwise };
  await person.openApp('/', async () => {
    await import('../../store/logbookApi');
    const { LoggedVisit } = await import('./LoggedVisit');
    return [{ path: '*', element: <LoggedVisit id={id} /> }];
  });
  const read: LoggedVisitRead = { entry, plan };
  await readAlready(person.store, 'loggedVisit', id, read);
  await person.sees(plan.name);
  return { entry, plan };
}

/** The rows of the first table, and of the second: steps in their order, and products. */
const rows = (table: 0 | 1): readonly (readonly string[])[] =>
  [...(person.all('table')[table]?.querySelectorAll('tbody tr') ?? [])].map(({ children }) =>
    [...children].map(({ textContent }) => textContent),
  );

describe('a visit of the logbook', () => {
  it('says for whom, when, by whom and where, and how long it was beside its slot', async () => {
    await open('visit-0480');
    await person.sees(/Gala R\. · Ione · Duna/);
    await person.sees(
      'In the room for 82 of 85 min; 88% of such visits were expected to be shorter.',
    );
  });

  it('has each step planned beside done, and marks what was not as planned', async () => {
    const { entry, plan } = await open('visit-0480');
    const said = rows(0);
    expect(said).toHaveLength(plan.acts.length);
    for (const [at, act] of plan.acts.entries()) {
      const took = entry.minutes[at] ?? 0;
      const { least, most } = act.minutes;
      const isOff = took > most + 1 || took < least - 1;
      const words = `${took.toFixed(1).replace('.0', '')} min${isOff ? ' not as planned' : ''}`;
      expect([said[at]?.[0]?.startsWith(act.name), said[at]?.[2]]).toEqual([true, words]);
    }
  });

  it('says what was answered at its step', async () => {
    const { entry } = await open('visit-0480');
    const [first] = entry.answers;
    expect(rows(0)[first?.act ?? -1]?.[3]).toContain(first?.ask);
  });

  it('names what was used as planned, and what was told', async () => {
    const known = logbook.find(({ id }) => id === 'visit-0480');
    const plan = logbookPlans.find(({ id }) => id === known?.planId);
    const [draw] = plan?.draws ?? [];
    await open('visit-0480', { told: [{ draw: 0, quantity: 123, by: 'counted' }] });
    const material = materials.find(({ id }) => id === draw?.materialId);
    const used = rows(1);
    const told = used.find(([name]) => name === material?.name);
    expect(told?.[2]).toMatch(/^[\d,.]+ \S+$/);
    const others = used.filter((each) => each !== told);
    expect(others.every(([, , last]) => last?.endsWith(' as planned'))).toBe(true);
  });

  it('says what was noted, sold and put right, each for itself', async () => {
    const [sold] = materials.filter(({ kind }) => kind === 'retail');
    if (!sold) throw new Error('Nothing is sold in the demo house.');
    await open('visit-0480', {
      notes: ['left side more sensitive'],
      sold: [{ materialId: sold.id, quantity: 1 }],
      corrections: [
        {
          id: asId('correction-1'),
          at: '2026-11-25T09:00:00Z',
          why: 'read the wrong line',
          told: [],
        },
      ],
    });
    await person.sees('left side more sensitive');
    await person.sees(`Sold: 1 pack of ${sold.name}`);
    await person.sees(/Corrected on .*: read the wrong line/);
  });

  it('says that it was stopped, and where', async () => {
    await open('visit-0480', { stopped: 'Brush one layer on' });
    await person.sees('■ Stopped at “Brush one layer on”');
  });

  it('that was late says by how much', async () => {
    await open('visit-0480', { bookedAt: '2026-11-24T18:00:00Z' });
    await person.sees('It began 15 min after the book had it.');
  });

  it('is corrected on request, and not where it was taken back', async () => {
    await open('visit-0480');
    await person.click('button', 'Correct an amount');
    await person.sees('What it really was');
    await person.click('button', 'Leave it');
    await person.seesNot('What it really was');
  });

  it('that was taken back is told so, and can no longer be corrected', async () => {
    await open('visit-0480', { takenBackAt: '2026-11-25T09:00:00Z' });
    await person.sees('it was not performed.');
    await person.seesNot('Correct an amount');
  });
});

it('a visit that is not there says so, and can be looked for again', async () => {
  await person.openApp('/', async () => {
    const { LoggedVisit } = await import('./LoggedVisit');
    return [{ path: '*', element: <LoggedVisit id="nowhere" /> }];
  });
  await person.sees('This visit is not in the logbook, or the house does not answer just now.');
  await person.find('button', 'Try again');
});
