import { beforeEach, describe, expect, it } from 'vitest';
import type { Change, Scenario } from '@bienestar/core/house/house';
import { asId, type ChangeId, type ServiceId } from '@bienestar/core/house/ids';
import { api } from '../../../store/api';
import { DEMO } from '../../../testing/demoInBrowser';
import { eachAtTheApp } from '../../../testing/eachAtTheApp';

const person = eachAtTheApp();

/** The scenario in hand as it waits to be sent. */
const scenario = (): Scenario | undefined =>
  person.store
    .getState()
    .queue.writes.flatMap(({ change }) =>
      change.kind === 'edit' && change.part === 'scenarios' ? [change.mine as Scenario] : [],
    )
    .at(-1);

const becomes = (change: object): Promise<void> =>
  expect.poll(() => scenario()?.changes.at(-1)).toMatchObject(change);

async function begin(kind: string): Promise<void> {
  await person.click('button', 'Change something');
  await person.click('menuitem', kind);
}

async function fill(label: string, text: string): Promise<void> {
  await person.fill(label, text);
  await person.press('Tab');
}

const material = (id: string) => {
  const found = DEMO.materials.find((each) => each.id === id);
  if (!found || found.kind === 'linen') throw new Error(id);
  return found;
};
const shownNames = (label: string): Promise<readonly string[]> =>
  person
    .click('combobox', label)
    .then(() => person.all('[role=option]').map(({ textContent }) => textContent));

beforeEach(async () => {
  await person.openApp('/menu/what-if');
});

describe('a figure of the house', () => {
  it('begins as it is, goes on from what another is, and is typed as that is typed', async () => {
    await begin('A figure of the house');
    await becomes({ kind: 'setting', setting: 'vat', to: DEMO.settings.vat });
    await fill('Would be', '10');
    await becomes({ setting: 'vat', to: 0.1 });
    await person.choose('Figure', 'Rooms, fixed cost a month');
    await becomes({
      setting: 'fixedPerMonthMinor',
      to: DEMO.settings.roomCost.fixedPerMonthMinor,
    });
    await fill('Would be', '2500');
    await becomes({ setting: 'fixedPerMonthMinor', to: 250_000 });
    await person.choose('Figure', 'Open days a month');
    await fill('Would be', '20');
    await becomes({ setting: 'openDaysPerMonth', to: 20 });
    await fill('Would be', '40');
    await person.sees('Must be at most 31.');
    await becomes({ setting: 'openDaysPerMonth', to: 20 });
    await person.choose('Figure', 'A room hour brings');
    await becomes({ setting: 'targetPerRoomHourMinor' });
  });

  it('is how hands are charged, the other way than now', async () => {
    await begin('How hands are charged');
    const other = DEMO.settings.therapistCharge === 'slot' ? 'attended' : 'slot';
    await becomes({ kind: 'charge', to: other });
    await person.choose(
      'A therapist is charged for',
      other === 'slot' ? 'attended minutes' : 'the whole slot',
    );
    await becomes({ kind: 'charge', to: DEMO.settings.therapistCharge });
  });
});

describe('what people and suppliers ask', () => {
  it('is more or less for one person, and for everybody again', async () => {
    await begin('Pay');
    await person.choose('Who', 'Ione');
    await becomes({ kind: 'pay', personId: 'ione', byShare: 0.04 });
    await fill('More, or less', '-10');
    await becomes({ personId: 'ione', byShare: -0.1 });
    await person.sees('Ione is paid 10% less');
    await person.choose('Who', 'everybody');
    await expect.poll(() => scenario()?.changes.at(-1)).not.toHaveProperty('personId');
    await fill('More, or less', '-100');
    await person.sees('Must be from -99 to 900 %.');
    await becomes({ byShare: -0.1 });
  });

  it('is of another supplier', async () => {
    await begin('All prices of a supplier');
    await person.choose('Supplier', 'Mercado');
    await becomes({ kind: 'supplier', supplierId: 'mercado', byShare: 0.05 });
    await person.sees('Mercado asks 5% more');
  });
});

describe('a pack', () => {
  it('of another material begins with what that costs, and is one of its own', async () => {
    await begin('The price of a pack');
    await fill('Would cost', '1');
    await becomes({ kind: 'pack-price', priceMinor: 100 });
    await person.choose('Material', material('cactus-serum').name);
    const { packs, preferredPackId } = material('cactus-serum');
    const pack = packs.find(({ id }) => id === preferredPackId) ?? packs[0];
    await becomes({
      materialId: 'cactus-serum',
      packId: pack?.id,
      priceMinor: pack?.priceMinor,
    });
    await fill('Would cost', '99.90');
    await becomes({ materialId: 'cactus-serum', priceMinor: 9_990 });
  });

  it('is bought instead of another, which is one of those it comes in', async () => {
    await begin('Another pack');
    const change = scenario()?.changes.at(-1) as Extract<Change, { kind: 'pack' }>;
    const offered = await shownNames('Pack');
    expect(offered).toHaveLength(material(change.materialId).packs.length);
    expect(offered[0]).toMatch(/\d.*€/);
  });

  it('of what is put away is not offered', async () => {
    await begin('Another pack');
    const away = DEMO.materials.filter(({ archivedOn }) => archivedOn !== undefined);
    const offered = await shownNames('Material');
    expect(offered.filter((name) => away.some((each) => each.name === name))).toEqual([]);
  });
});

describe('another material instead', () => {
  it('is drawn in its own unit, somewhere or everywhere', async () => {
    await begin('Another material instead');
    await person.choose('Instead of', material('aloe-gel').name);
    await person.choose('Draw', material('copper-ampoule').name);
    await becomes({
      kind: 'swap',
      from: 'aloe-gel',
      to: 'copper-ampoule',
      amount: { how: 'packs', quantity: { usual: 5 } },
    });
    await fill('Each time', '2');
    await becomes({ amount: { how: 'packs', quantity: { low: 2, usual: 2, high: 2 } } });
    await person.choose('Draw', material('cactus-serum').name);
    await becomes({ amount: { how: 'measured', quantity: { usual: 2 }, unit: 'ml' } });
    const [protocol] = DEMO.protocols;
    await person.choose('Where', protocol?.name ?? '');
    await becomes({ protocolId: protocol?.id });
    await person.sees(
      `${material('cactus-serum').name} instead of ${material('aloe-gel').name} in`,
    );
    await person.choose('Where', 'everywhere');
    await expect.poll(() => scenario()?.changes.at(-1)).not.toHaveProperty('protocolId');
  });
});

describe('longer or shorter', () => {
  it('is a phase by some minutes, as far as a phase can be', async () => {
    await begin('Longer or shorter');
    await person.choose('Phase', 'massage');
    await fill('Longer by', '-5');
    await becomes({ kind: 'minutes', phase: 'massage', byMinutes: -5 });
    await person.sees('“massage” 5 min shorter');
    await fill('Longer by', 'long');
    await person.sees('Enter a number, such as 3 or 2.5.');
    expect(await person.valueOf('Longer by')).toBe('long');
    await becomes({ byMinutes: -5 });
  });
});

describe('what is sold', () => {
  it('is at a price that goes on from what the service costs now', async () => {
    await begin('A price on the menu');
    const [first] = DEMO.services;
    await becomes({ kind: 'price', serviceId: first?.id });
    const now = scenario()?.changes.at(-1) as Extract<Change, { kind: 'price' }>;
    expect(now.grossMinor).toBeGreaterThan(1_000);
    await fill('Price', '150');
    await becomes({ grossMinor: 15_000 });
    const express = DEMO.services.find(({ id }) => id === 'express');
    await person.choose('Service', express?.name ?? '');
    await becomes({ serviceId: 'express' });
    const then = scenario()?.changes.at(-1) as Extract<Change, { kind: 'price' }>;
    expect(then.grossMinor).not.toBe(15_000);
    expect(await person.figure('Price')).toMatch(/€/);
  });

  it('is as often as planned, or as is typed', async () => {
    await begin('Visits a week');
    const express = DEMO.services.find(({ id }) => id === 'express');
    const planned = DEMO.demand.find(({ serviceId }) => serviceId === 'express');
    await person.choose('Service', express?.name ?? '');
    await becomes({ kind: 'visits', serviceId: 'express', visitsPerWeek: planned?.visitsPerWeek });
    await fill('Visits', '12.5');
    await becomes({ visitsPerWeek: 12.5 });
    await fill('Visits', '-1');
    await person.sees('Must be at least 0.');
  });

  it('is worked by the draft, which a house without editions has alone', async () => {
    await begin('Another edition');
    await becomes({ kind: 'edition', serviceId: DEMO.services[0]?.id });
    expect(await shownNames('Worked by')).toEqual(['its draft']);
  });
});

describe('what the week has', () => {
  const ione = DEMO.people.find(({ name }) => name === 'Ione');

  it('is when somebody works, from what they work on that day', async () => {
    await begin('Who works when');
    await person.choose('Who', 'Ione');
    await becomes({ kind: 'work-hours', personId: 'ione', spans: ione?.hours?.usually[0] });
    await person.choose('Day of the week', 'Tuesday');
    await becomes({ weekday: 2, spans: ione?.hours?.usually[1] });
    await fill('Hours', '10-13, 14-18');
    await becomes({
      weekday: 2,
      spans: [
        { from: 600, to: 780 },
        { from: 840, to: 1_080 },
      ],
    });
    await person.sees('Ione on Tuesday: 10–13, 14–18');
  });

  it('is when the house is open', async () => {
    await begin('When the house is open');
    await person.choose('Day of the week', 'Sunday');
    await becomes({
      kind: 'open-hours',
      weekday: 7,
      spans: DEMO.settings.openHours?.week[6] ?? [],
    });
    await fill('Hours', 'ten to four');
    await person.press('Tab');
    expect(await person.valueOf('Hours')).toBe('ten to four');
    await becomes({ spans: DEMO.settings.openHours?.week[6] ?? [] });
  });

  it('is somebody more, who may do what another may', async () => {
    await begin('Somebody more');
    await person.choose('May do and earns as', 'Dacil');
    await fill('Name', 'Noelia');
    await becomes({ kind: 'hire', likeId: 'dacil', name: 'Noelia' });
    await person.sees('Noelia, as Dacil');
    await fill('Name', ' ');
    await person.sees('This is needed.');
    await becomes({ name: 'Noelia' });
  });

  it('is another room of a kind', async () => {
    await begin('Another room');
    await person.click('radio', 'wet');
    await fill('Name', 'Patio');
    await becomes({ kind: 'room', roomKind: 'wet', name: 'Patio' });
    await person.sees('Patio, a wet room more');
  });

  it('is one more of a device than there are', async () => {
    await begin('How many of a device');
    const lamp = DEMO.devices.find(({ id }) => id === 'light-panel');
    await person.choose('Device', `Light panel, now ${lamp?.count}`);
    await becomes({
      kind: 'device-count',
      deviceId: 'light-panel',
      count: (lamp?.count ?? 0) + 1,
    });
    await fill('Would be', '0.5');
    await becomes({ count: (lamp?.count ?? 0) + 1 });
  });
});

describe('a scenario', () => {
  it('has a name, and words or none', async () => {
    await fill('What it is about', 'Asked in November.');
    await expect.poll(() => scenario()?.note).toBe('Asked in November.');
    await fill('What it is about', ' ');
    await expect.poll(() => scenario()?.note).toBeUndefined();
    await fill('Name of the scenario', '');
    await person.sees('This is needed.');
    expect(scenario()?.name).toBe('Next year: pay and rent');
  });

  it('says of what cannot be made that the rest is counted without it', async () => {
    const gone = {
      id: asId<ChangeId>('c'),
      kind: 'visits',
      serviceId: asId<ServiceId>('ghost'),
    } as const;
    person.store.dispatch(
      api.util.updateQueryData('house', undefined, (house) => ({
        ...house,
        scenarios: house.scenarios.map((each) =>
          each.id === 'next-year' ? { ...each, changes: [{ ...gone, visitsPerWeek: 3 }] } : each,
        ),
      })),
    );
    await person.sees('is no longer in the house. The rest is counted without it.');
    await person.click('button', 'Leave out: what is no longer there: 3 visits a week');
    await expect.poll(() => scenario()?.changes).toEqual([]);
  });
});

describe('a scenario file', () => {
  const open = (text: string, name = 'a.scenario.json'): Promise<void> =>
    person.upload('Scenario file', new File([text], name, { type: 'application/json' }));

  it.each([
    ['not json', 'it is not valid JSON'],
    ['{"format":"bienestar-house"}', 'its “format” must be “bienestar-scenario”'],
    ['{"format":"bienestar-scenario","formatVersion":9}', 'has version 9; version 1 is read here'],
    ['null', 'its “format” must be'],
  ])('that is none (%s) is told, and changes nothing', async (text, says) => {
    await open(text);
    await person.sees('This file is not taken');
    await person.sees(says);
    expect(scenario()).toBeUndefined();
  });

  it('that nobody takes just now is told in words', async () => {
    const file = {
      format: 'bienestar-scenario',
      formatVersion: 1,
      id: 'x',
      name: 'X',
      changes: [],
    };
    await open(JSON.stringify(file));
    await person.sees('The house does not answer just now.');
  });

  it('that is too large is not read', async () => {
    await open(' '.repeat(1024 * 1024 + 1), 'huge.json');
    await person.sees('huge.json is larger than the 1 MB that a scenario may have.');
  });
});
