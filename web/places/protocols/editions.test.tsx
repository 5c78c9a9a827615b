import { beforeEach, describe, expect, it } from 'vitest';
import type { Edition, Protocol, Service } from '@bienestar/core/house/house';
import { api } from '../../store/api';
import { edited } from '../../store/drafts';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const ID = 'black-sand-clay-facial';

const published = DEMO.editions.find(({ protocolId }) => (protocolId as string) === ID);
if (!published) throw new Error('Nothing is published.');
/** A second edition, in which the first step is called otherwise. */
const second: Edition = {
  ...published,
  number: 2,
  publishedAt: '2026-11-03T09:00:00Z',
  note: 'A longer welcome.',
  protocol: {
    ...published.protocol,
    steps: published.protocol.steps.map((each, at) =>
      at === 0 ? { ...each, name: 'Welcome' } : each,
    ),
  },
};

const draft = () => {
  const found = person.store.getState().drafts.byId[ID];
  if (!found) throw new Error('Nothing is being edited.');
  return found;
};
const change = (make: (protocol: Protocol) => Protocol): void => {
  person.store.dispatch(edited({ id: ID, protocol: make(draft().present), at: Date.now() }));
};
const headOf = ({ protocolId, number, publishedAt, note }: Edition) => ({
  protocolId,
  number,
  publishedAt,
  note,
});

/** The editions of a protocol, of which these are published. */
async function open(...editions: readonly Edition[]): Promise<void> {
  await person.openApp(`/protocols/${ID}/cleanse`);
  await person.find('textbox', 'Step');
  person.store.dispatch(
    api.util.updateQueryData('house', undefined, (house) => ({
      ...house,
      editionHeads: editions.map(headOf),
    })),
  );
  for (const edition of editions)
    void person.store.dispatch(
      api.util.upsertQueryData('edition', { protocolId: ID, number: edition.number }, edition),
    );
  await person.click('button', 'Editions');
  await person.sees('Services are worked by a published edition, which never changes.');
}

const figuresTable = (): readonly (readonly string[])[] =>
  person
    .all('[role=dialog] table tbody tr')
    .map(({ children }) => [...children].map(({ textContent }) => textContent));
const differing = (): string[] =>
  person.all('[aria-label="Steps that differ"] li').map(({ textContent }) => textContent);

describe('editions', () => {
  it('are none until one is published', async () => {
    await open();
    await person.sees('Nothing is published yet.');
    expect(person.all('[role=dialog] table')).toEqual([]);
  });

  it('are listed with their day and what was new, the newest first', async () => {
    await open(published, second);
    const listed = person
      .all('[aria-label="Published editions"] li')
      .map(({ textContent }) => textContent);
    expect(listed).toEqual([
      expect.stringMatching(/^edition 2.*A longer welcome\./) as string,
      expect.stringMatching(/^edition 1.*As it is worked since the autumn menu\./) as string,
    ]);
  });

  it('stand beside the draft, figure by figure and step by step', async () => {
    await open(published);
    await person.sees('Edition 1 and the draft');
    const labels = figuresTable().map(([label]) => label);
    expect(labels).toEqual(
      expect.arrayContaining(['Room, expected', 'Slot', 'Direct cost', 'Full cost', 'Price']),
    );
    expect(figuresTable().every(([, before, now]) => before === now)).toBe(true);
    expect(differing()).toEqual(['No step differs.']);
    change((protocol) => ({
      ...protocol,
      steps: protocol.steps.map((each) =>
        (each.id as string) === 'cleanse' && 'minutes' in each
          ? { ...each, name: 'Cleanse long', minutes: { least: 10, usual: 12, most: 15 } }
          : each,
      ),
    }));
    await expect
      .poll(differing)
      .toEqual([expect.stringMatching(/^Cleanse long changed \(.*minutes/)]);
    const moved = figuresTable().filter(([, before, now]) => before !== now);
    expect(moved.map(([label]) => label)).toEqual(
      expect.arrayContaining(['Room, expected', 'Full cost']),
    );
  });

  it('stand beside each other', async () => {
    await open(published, second);
    await person.sees('Edition 2 and the draft');
    await person.choose('Edition 2 beside', 'edition 1');
    await person.sees('Edition 2 and edition 1');
    expect(differing()).toEqual([expect.stringMatching(/changed \(name\)$/)]);
    await person.choose('Edition 2 beside', 'the draft');
    await person.sees('Edition 2 and the draft');
    const [, first] = person.all('[aria-label="Published editions"] button');
    first?.click();
    await person.sees('Edition 1 and the draft');
  });

  it('are gone back to, which can be undone', async () => {
    await open(published);
    change((protocol) => ({ ...protocol, steps: protocol.steps.slice(1), summary: 'Shorter' }));
    await expect.poll(differing).toEqual([expect.stringContaining('removed')]);
    const shorter = draft().present.steps.length;
    await person.click('button', 'Go back to edition 1');
    await person.sees('The draft is edition 1 again. You can undo this.');
    expect(draft().present.steps).toHaveLength(published.protocol.steps.length);
    await person.seesNot('Services are worked by a published edition');
    await person.press('Control+z');
    await expect.poll(() => draft().present.steps.length).toBe(shorter);
  });
});

describe('publishing', () => {
  beforeEach(() => open(published));

  it('needs to be said what is new, and a draft that is saved', async () => {
    const button = () => person.find('button', 'Publish the draft');
    expect((await button()).matches(':disabled')).toBe(true);
    await person.fill('What is new, in a few words', '   ');
    expect((await button()).matches(':disabled')).toBe(true);
    await person.fill('What is new, in a few words', 'The autumn menu.');
    expect((await button()).matches(':disabled')).toBe(false);
    change((protocol) => ({ ...protocol, summary: 'Not saved yet' }));
    await expect.poll(async () => (await button()).matches(':disabled')).toBe(true);
  });

  it('keeps what was typed while nobody answers', async () => {
    await person.fill('What is new, in a few words', 'The autumn menu.');
    await person.click('button', 'Publish the draft');
    await person.sees('The house does not answer just now.');
    expect(await person.valueOf('What is new, in a few words')).toBe('The autumn menu.');
  });

  it('waits until what is wrong is put right', async () => {
    await person.fill('What is new, in a few words', 'Nothing works.');
    change((protocol) => ({
      ...protocol,
      steps: protocol.steps.map((each) =>
        (each.id as string) === 'cleanse' && 'doses' in each
          ? {
              ...each,
              doses: each.doses.map((dose) => ({
                ...dose,
                source: { kind: 'material' as const, materialId: 'ghost' as never },
              })),
            }
          : each,
      ),
    }));
    await person.sees('These must be put right first:');
    await person.sees('uses a material that is not on the shelf');
    expect((await person.find('button', 'Publish the draft')).matches(':disabled')).toBe(true);
  });
});

describe('by which edition a service is worked', () => {
  it('is chosen, with a word where there is a newer one', async () => {
    await open(published, second);
    const service = DEMO.services.find(({ protocolId }) => (protocolId as string) === ID);
    await person.sees('there is a newer one, edition 2');
    await person.choose(`${service?.name ?? ''} is worked by`, 'edition 2');
    const { before, after } = await person.written<Service>('services');
    expect([before.edition, after.edition]).toEqual([1, 2]);
    await person.seesNot('there is a newer one');
  });
});
