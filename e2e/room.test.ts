import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { RunPage, RunSoFar } from '@bienestar/contract/happened';
import type { Treatment } from '@bienestar/core/house/house';
import { accessibilityFindings } from './support/accessibility';
import { anotherHouse } from './support/anotherHouse';
import { freshHouse, ownHouse, read } from './support/ownHouse';
import { newPerson, personOnTheWay, type Person } from './support/person';

/* A visit in the room: taps and a pedal, a gate, no network, another tablet; nothing is lost and nothing twice. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());

const runId = (): string => new URL(person.page.url()).pathname.split('/').at(-1) ?? '';
const soFar = (id = runId()): Promise<RunSoFar> => read<RunSoFar>(`runs/${id}`);

/** Begins a visit of a service, with its tray untouched. */
async function begin(service: string): Promise<void> {
  await person.goTo('/room');
  await person.click('button', service);
  await person.click('button', 'Ione');
  await person.click('button', 'To the tray');
  await person.sees('still to get');
}

/** The act in hand, in large letters. */
const inHand = (who = person): Promise<string> =>
  who.page.$eval('[aria-label="In hand"] h1', (element) => (element as HTMLElement).innerText);

async function waitFor(name: string, who = person): Promise<void> {
  await who.waitFor(
    async () => (await inHand(who).catch(() => '')) === name,
    `“${name}” is in hand`,
  );
}

const OVER = 'The visit is over';
const inHandOrOver = (): Promise<string> =>
  person.page.$eval('#place h1', (element) => (element as HTMLElement).innerText);

/** Presses the pedal until the next act is in hand, or the visit is over. */
async function pedalOn(): Promise<void> {
  const before = await inHandOrOver();
  await person.waitFor(async () => {
    if ((await inHandOrOver()) !== before) return true;
    await person.page.keyboard.press('PageDown');
    return false;
  }, `it goes on from “${before}”`);
}

/** Presses the pedal until an act is in hand; it takes a press a moment after the last one. */
async function pedalTo(name: string): Promise<void> {
  await person.waitFor(async () => {
    if ((await inHand()) === name) return true;
    const usual = await person.page.$('[aria-label="To decide"] button');
    if (usual) await usual.click();
    else await person.page.keyboard.press('Space');
    return false;
  }, `the pedal leads to “${name}”`);
}

describe('a visit', () => {
  it('goes from the tray to the log by knuckle and pedal, once', async () => {
    await begin('Sheet-mask and light express');
    expect(await accessibilityFindings(person)).toEqual([]);
    await person.page.click('[role=checkbox]');
    await person.sees(/all of it stands ready|still to get/);
    await person.click('button', 'The room is taken: begin');
    const first = await inHand();
    /* A pedal that bounces is one press. */
    await person.waitFor(async () => {
      const { keyboard } = person.page;
      await Promise.all([keyboard.press('Space'), keyboard.press('Space')]);
      return (await inHand()) !== first;
    }, 'the pedal goes on');
    await person.waitFor(async () => (await soFar()).events.length > 2, 'it is known');
    const over = (await soFar()).events.flatMap((each) => (each.kind === 'done' ? each.act : []));
    expect(new Set(over).size).toBe(1);
    for (let acts = 0; acts < 40 && (await inHandOrOver()) !== OVER; acts += 1) await pedalOn();
    await person.sees('The visit is over');
    await person.click('button', 'Enter the visit');
    await person.sees('In the log and in the ledger.');
    const { treatments } = await read<{ readonly treatments: readonly Treatment[] }>('treatments');
    const entered = treatments.filter(({ id }) => (id as string) === runId());
    expect(entered).toHaveLength(1);
    expect(entered[0]?.entryIds.length).toBeGreaterThan(0);
    await person.waitFor(
      async () => (await read<RunPage>('runs')).runs.length === 0,
      'it goes on no more',
    );
    /* It is entered for good: also after the page was opened anew. */
    await person.goTo(`/room/${runId()}`);
    await person.sees('In the log and in the ledger.');
  });

  it('asks before it goes on, and an answer that demands it leads to taking off and nowhere else', async () => {
    await begin('Fruit-acid renewal');
    await person.click('button', 'The room is taken: begin');
    await pedalTo('Contact time, watch the skin');
    await person.sees('How much redness?');
    await person.page.keyboard.press('Space');
    await person.page.keyboard.press('Space');
    expect(await inHand()).toBe('Contact time, watch the skin');
    expect(
      await person.page.$eval('[aria-label="On the skin"]', (list) => list.textContent),
    ).toMatch(/on the skin.*of 3 min/);
    expect(await accessibilityFindings(person)).toEqual([]);
    await person.click('button', 'marked');
    await person.sees('Neutralise now');
    expect(await accessibilityFindings(person)).toEqual([]);
    await person.seesNot('What comes');
    await waitFor('Neutralise and rinse');
    await person.click('button', 'It is off');
    await waitFor('Aloe gel rests');
    const { events } = await soFar();
    expect(events.filter(({ kind }) => kind === 'answered')).toHaveLength(1);
  });

  it('asks what is decided at the couch when it comes up, and goes as it is decided', async () => {
    await begin('Fruit-acid renewal');
    await person.click('button', 'The room is taken: begin');
    await person.waitFor(async () => {
      await person.page.keyboard.press('Space');
      return (await person.page.$('[aria-label="To decide"]')) !== null;
    }, 'it comes up');
    const before = await inHand();
    await person.page.keyboard.press('Space');
    expect(await inHand()).toBe(before);
    expect(await accessibilityFindings(person)).toEqual([]);
    await person.seesNot('but Skin today');
    await person.click('button', 'Touchy');
    await person.waitFor(
      async () => (await soFar()).events.some(({ kind }) => kind === 'decided'),
      'it is known',
    );
    expect(await person.page.$('[aria-label="To decide"]')).toBeNull();
  });

  it('is seen from the other room of the same therapist, with its clock', async () => {
    await begin('Fruit-acid renewal');
    await person.click('button', 'The room is taken: begin');
    await pedalTo('Contact time, watch the skin');
    await begin('Black-sand clay facial');
    await person.sees(/Layered fruit-acid renewal: Contact time, watch the skin/);
    await person.page.click('[aria-label="Other visits that go on"] a');
    await waitFor('Contact time, watch the skin');
  });

  it('is stopped from anywhere: what is on comes off, and then it is over', async () => {
    await begin('Fruit-acid renewal');
    await person.click('button', 'The room is taken: begin');
    await pedalTo('Cleanse');
    await person.click('button', 'Took more or less');
    await person.click('button', 'More Prickly-pear cleansing milk');
    await person.sees('not as planned');
    await pedalTo('Brush one layer on');
    await person.click('button', 'Stop and take off');
    await person.sees('call the emergency services first');
    await person.click('button', 'It is off');
    await person.click('button', 'The visit is over');
    await person.sees('Write down below what was seen and done');
    await person.click('button', 'redness');
    await person.click('button', 'rinsed with cool water');
    await person.fill(
      'In words: what was on the skin and for how long, where, when',
      'On the cheeks',
    );
    await person.click('button', 'Write it down for good');
    await person.sees('Seen: redness.');
    /* A pump more than planned. */
    await person.sees(/Prickly-pear cleansing milk\s+4\.8 ml\s+6\.4 ml/);
    expect(await accessibilityFindings(person)).toEqual([]);
    await person.click('button', 'Enter the visit');
    await person.sees('In the log and in the ledger.');
    await person.click('link', 'All visits');
    await person.page.waitForSelector('[aria-label="Over"] a');
  });
});

it('says OFF NOW when a product has lain there for longer than it may, and leads to taking it off', async () => {
  await begin('Fruit-acid renewal');
  await person.click('button', 'The room is taken: begin');
  await pedalTo('Contact time, watch the skin');
  /* The last that was done before it, and with it all of it. */
  await person.waitFor(
    async () =>
      (await soFar()).events.some((each) => each.kind === 'done' && /\bacid\b/.test(each.act)),
    'all of it is known',
  );
  /* The same visit, as if it had been begun six minutes ago. */
  const { run, events } = await soFar();
  const earlier = (at: string): string => new Date(Date.parse(at) - 360_000).toISOString();
  const runId = 'six-minutes-ago';
  const send = (path: string, body: object) =>
    fetch(`${ownHouse().url}/api/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  await send('runs', { ...run, id: runId });
  await send(`runs/${runId}/events`, {
    events: events.map((each, at) => ({
      ...each,
      id: `earlier-${at}`,
      runId,
      at: earlier(each.at),
    })),
  });
  await person.goTo(`/room/${runId}`);
  await person.sees(/OFF NOW/);
  expect(await accessibilityFindings(person)).toEqual([]);
  await person.click('button', 'Take it off now');
  await waitFor('Neutralise and rinse');
});

describe('without network', () => {
  it('goes on, is kept, and arrives once', async () => {
    await begin('Sheet-mask and light express');
    await person.click('button', 'The room is taken: begin');
    await person.waitFor(async () => (await soFar()).events.length === 1, 'that it began is known');
    await person.page.setOfflineMode(true);
    await pedalOn();
    const second = await inHand();
    expect((await soFar()).events).toHaveLength(1);
    await person.page.setOfflineMode(false);
    await person.waitFor(async () => (await soFar()).events.length === 2, 'it arrives');
    await person.goTo(`/room/${runId()}`);
    await waitFor(second);
    expect((await soFar()).events.map(({ kind }) => kind)).toEqual(['began', 'done']);
  });

  it('goes on where it was, to the second, when the tab is killed and opened again', async () => {
    await begin('Fruit-acid renewal');
    await person.click('button', 'The room is taken: begin');
    await pedalTo('Cleanse');
    const path = new URL(person.page.url()).pathname;
    await person.page.goto('about:blank');
    await person.goTo(path);
    await waitFor('Cleanse');
    const { events } = await soFar();
    const began = Date.parse(events.at(-1)?.at ?? '');
    const shown = await person.page.$eval('[aria-label="Minutes of this"]', (clock) => {
      const [minutes = 0, seconds = 0] = clock.textContent.split(':').map(Number);
      return { seconds: minutes * 60 + seconds, now: Date.now() };
    });
    expect(Math.abs(shown.seconds - (shown.now - began) / 1000)).toBeLessThan(2.5);
  });
});

it('opens and goes on without a house, after it was gone to once', async () => {
  const house = await anotherHouse();
  const alone = await personOnTheWay(house.url);
  try {
    await alone.goTo('/room');
    await alone.page.waitForSelector('html[data-offline=ready]');
    await alone.click('button', 'Sheet-mask and light express');
    await alone.click('button', 'To the tray');
    await alone.click('button', 'The room is taken: begin');
    await alone.sees('on time');
    const first = await inHand(alone);
    await house.stopServer();
    await alone.page.reload();
    await waitFor(first, alone);
    await alone.waitFor(async () => {
      await alone.page.keyboard.press('Space');
      return (await inHand(alone)) !== first;
    }, 'it goes on');
    const second = await inHand(alone);
    await alone.page.goto(`${house.url}/room`);
    await alone.page.waitForSelector('[aria-label="Going on"] a');
    await alone.page.click('[aria-label="Going on"] a');
    await waitFor(second, alone);
  } finally {
    await alone.close();
    await house.close();
  }
});

it('is followed on a second tablet', async () => {
  await begin('Fruit-acid renewal');
  await person.click('button', 'The room is taken: begin');
  await pedalTo('Cleanse');
  const other = await newPerson();
  const { identifier } = await other.page.evaluateOnNewDocument(() => {
    const right = Date.now.bind(Date);
    Date.now = () => right() + 420_000;
  });
  await other.goTo('/room');
  await other.page.waitForSelector('[aria-label="Going on"] a');
  await other.page.click('[aria-label="Going on"] a');
  await waitFor('Cleanse', other);
  /* It follows: its pedal does nothing, until it leads. */
  await other.sees('Another tablet leads this visit');
  await other.page.keyboard.press('Space');
  await pedalTo('Degrease');
  await waitFor('Degrease', other);
  await other.click('button', 'Lead it here');
  await person.sees('Another tablet leads this visit');
  await other.seesNot('Another tablet leads this visit');
  const seconds = (who: Person): Promise<number> =>
    who.page.$eval('[aria-label="Minutes of this"]', (clock) => {
      const [minutes = 0, rest = 0] = clock.textContent.split(':').map(Number);
      return minutes * 60 + rest;
    });
  await other.waitFor(
    async () => Math.abs((await seconds(other)) - (await seconds(person))) <= 4,
    'both show the same minutes, though one clock is seven minutes wrong',
  );
  await other.page.removeScriptToEvaluateOnNewDocument(identifier);
  await other.close();
});
