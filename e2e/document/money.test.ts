import { describe, expect, it } from 'vitest';
import { ownHouse, readHouse } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

/* What is tried before it is done, what moved, what is sold together, and what guests read. */

const person = eachAtAFreshHouse();

const house = readHouse;

describe('what if', () => {
  it('is made from nothing: a change is chosen, figures follow, several stand side by side', async () => {
    await person.goTo('/menu/what-if');
    await person.click('button', 'Begin a scenario');
    await person.find('region', 'What if …');
    await person.fill('Name of the scenario', 'Higher tax');
    await person.press('Tab');
    await person.click('button', 'Change something');
    await person.click('menuitem', 'A figure of the house');
    await person.fill('Would be', '21');
    await person.press('Tab');
    await person.sees('VAT 21% instead of 13%');
    await person.sees('(-€37.82)');
    await person.sees('Nothing more falls under its target.');
    await person.click('checkbox', 'Northquay asks 6 % more beside');
    await person.find('columnheader', 'Northquay asks 6 % more');
    await person.click('button', 'Charge €90.00 for Black-sand clay facial in Higher tax');
    await person.sees('Black-sand clay facial at €90.00');
    await person.click('button', 'Remove this scenario');
    await person.sees('Higher tax is removed.');
    await person.click('button', 'Undo');
    await person.find('link', 'Higher tax');
  });

  it('goes on without what was deleted meanwhile', async () => {
    const id = 'lip-dearer';
    await fetch(`${ownHouse().url}/api/scenarios`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        id,
        name: 'Dearer lips',
        changes: [{ id: 'c', kind: 'price', serviceId: 'no-more', grossMinor: 1500 }],
      }),
    });
    await person.goTo(`/menu/what-if/${id}`);
    await person.sees('The service is no longer in the house. The rest is counted without it.');
  });

  it('comes as a file, and says what is wrong with one', async () => {
    await person.goTo('/menu/what-if');
    const offer = (name: string, content: string): Promise<void> =>
      person.upload('Scenario file', new File([content], name));
    await offer('wrong.json', '{"format":"other"}');
    await person.sees('its “format” must be “bienestar-scenario”');
    await person.click('button', 'Close');
    const head = '"format":"bienestar-scenario","formatVersion":1,"id":"next-year","name":"Shared"';
    await offer('bad.json', `{${head},"changes":[{"id":"c","kind":"pay","byShare":-2}]}`);
    await person.sees('/changes/0/byShare: Must be more than -1.');
    await person.click('button', 'Close');
    await offer('good.json', `{${head},"changes":[{"id":"c","kind":"pay","byShare":0.1}]}`);
    await person.sees('Everybody is paid 10% more');
    expect((await house()).scenarios).toHaveLength(4);
  });

  it('takes a supplier’s new list before it is applied', async () => {
    await person.goTo('/price-lists/northquay');
    await person.click('button', 'Fetch the list of today');
    await person.click('button', 'Try it first');
    await person.find('heading', 'What if');
    await person.sees('The new list of Northquay Cosmetics Supply');
    await person.sees(/A pack of .+ at €/);
  });
});

describe('what is sold together', () => {
  it('a new one is begun, and a service in it cannot be taken off the menu', async () => {
    await person.goTo('/menu/offers');
    await person.click('button', 'For two');
    await person.sees('Both are done within');
    await person.goTo('/menu/copper');
    await person.click('button', 'Remove this service');
    await person.sees('Copper firming, four visits (offer)');
  });
});

describe('kit or bulk', () => {
  it('sets two sets side by side, and keeps the other as a scenario', async () => {
    await person.goTo('/menu/express/price');
    await person.click('link', 'kit or bulk');
    await person.sees('Both are the same set so far.');
    await person.choose('Instead of Cellulose sheet mask, aloe', 'Aloe gel');
    await person.sees(/cheaper/);
    await person.click('button', 'Keep as a scenario');
    await person.sees(
      'Aloe gel instead of Cellulose sheet mask, aloe in Sheet-mask and light express',
    );
  });
});

describe('a menu for guests', () => {
  it('follows the words and prices of the house', async () => {
    await person.goTo('/menu/guests');
    await person.sees('Volcanic sand, prickly pear, wild fennel, and time.');
    await person.sees(/Nov 15, \d{4} to Feb 28, \d{4}|Nov \d+, \d{4} to /);
    await person.goTo('/menu/clay-facial');
    await person.click('button', 'What guests read');
    await person.fill('Name on the menu', 'Sand of the shore');
    await person.press('Tab');
    await person.waitFor(
      async () => (await house()).services[0]?.guest?.name === 'Sand of the shore',
      'the new name',
    );
    await person.goTo('/menu/guests');
    await person.sees('Sand of the shore');
    await person.click('button', 'Black-sand clay facial further down');
    await person.waitFor(async () => {
      const [line] = (await house()).menus[0]?.sections[0]?.lines ?? [];
      return line?.kind === 'service' && line.serviceId === 'calm-facial';
    }, 'the other order');
  });
});

describe('the house set up', () => {
  it('pays people by grade', async () => {
    await person.goTo('/house');
    await person.click('button', 'Add a grade');
    await person.find('group', 'Grade 1');
    await person.choose('Grade of Ione', 'Grade 1');
    await person.waitFor(
      async () => (await house()).people.find(({ id }) => id === 'ione')?.grade === 'Grade 1',
      'Ione is paid by the grade',
    );
    await person.sees('1 person');
  });
});

describe('what moved the margins', () => {
  it('names the causes, and shows cost and price over time', async () => {
    await person.goTo('/menu/margins');
    await person.sees('▲ under its target');
    await person.click('link', 'Fig enzyme and steam facial');
    await person.sees(/Pay\s*cost \+€/);
    await person.sees(/VAT\s*−\d/);
    await person.sees(/The price\s*price \+€6\.00/);
    await person.sees('Price and cost over time');
    await person.goTo('/menu');
  });

  it('follows a change that is made now', async () => {
    await person.goTo('/menu/blade/price');
    await person.click('radio', 'A price of its own');
    await person.fill('Price of its own', '45');
    await person.press('Tab');
    await person.waitFor(
      async () =>
        (await house()).services.find(({ id }) => id === 'blade')?.pricing?.ownMinor === 4500,
      'the new price',
    );
    await person.goTo('/menu/margins');
    await person.click('radio', '30 days');
    await person.sees('fell under its target');
  });
});
