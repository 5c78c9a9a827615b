import { describe, expect, it } from 'vitest';
import type { Protocol, Step } from '@bienestar/core/house/protocol';
import { REMOVAL_WORDS } from '../../format/protocolWords';
import { eachAtTheApp } from '../../testing/eachAtTheApp';
import type { PersonAtApp } from '../../testing/personAtApp';

/* Each field of the step in hand writes what it says into that step, and nothing anywhere else. */

const person = eachAtTheApp();

type StepChanges = { readonly [K in keyof Step]?: unknown };
type Act = (at: PersonAtApp) => Promise<unknown>;

const typed =
  (label: string, text: string): Act =>
  async (at) => {
    await at.fill(label, text);
    await at.press('Tab');
  };
const pressed =
  (role: string, name: string): Act =>
  (at) =>
    at.click(role, name);
const chosen =
  (label: string, option: string): Act =>
  (at) =>
    at.choose(label, option);

async function expectStep(path: string, folds: readonly string[], act: Act, changes: StepChanges) {
  await person.openApp(`/protocols/${path}`);
  await person.find('textbox', 'Step');
  for (const fold of folds) await person.click('button', fold);
  const [protocolId, stepId] = path.split('/');
  const { houseInHand } = await import('../../store/house');
  const before = houseInHand(person.store.getState())?.protocols.find(
    ({ id }) => id === protocolId,
  );
  await act(person);
  const after = await person.draft();
  const linesOf = (of: Pick<Protocol, 'steps'> | undefined) =>
    new Map<string, Protocol['steps'][number]>(of?.steps.map((line) => [line.id, line]));
  const [was, is] = [linesOf(before), linesOf(after)];
  const others = (of: typeof was) => [...of].filter(([id]) => id !== stepId);
  expect(others(is)).toEqual(others(was));
  const [one, other] = [was.get(stepId ?? ''), is.get(stepId ?? '')] as [StepChanges, StepChanges];
  expect(other).toMatchObject(changes);
  const differing = [...new Set([...Object.keys(one), ...Object.keys(other)])].filter(
    (key) => JSON.stringify(one[key as keyof Step]) !== JSON.stringify(other[key as keyof Step]),
  );
  expect(differing.toSorted()).toEqual(Object.keys(changes).toSorted());
}

const MINUTES = { least: 4, usual: 5, most: 6 };
const SAID = 'Said to the client';
const WORKED = 'How it is worked';
const HANDS = 'How the hands work';

describe('a step', () => {
  it.each<[string, readonly string[], Act, StepChanges]>([
    ['its name', [], typed('Step', 'Cleanse slowly'), { name: 'Cleanse slowly' }],
    ['its least minutes', [], typed('Minutes, least', '3'), { minutes: { ...MINUTES, least: 3 } }],
    ['its most minutes', [], typed('Minutes, most', '7,5'), { minutes: { ...MINUTES, most: 7.5 } }],
    ['hands that watch', [], pressed('radio', 'watching'), { hands: 'watching' }],
    ['hands that are free', [], pressed('radio', 'free'), { hands: 'free' }],
    ['a longest contact', [], typed('Contact at most', '12'), { capMinutes: 12 }],
    ['an assistant', [], pressed('radio', 'assistant'), { by: 'assistant' }],
    ['another stretch', [], pressed('radio', 'reset'), { stretch: 'reset' }],
    ['what is said', [SAID], typed('Say', 'Warm enough?'), { say: 'Warm enough?' }],
    ['why it is said', [SAID], typed('Because', 'It relaxes.'), { why: 'It relaxes.' }],
    ['what to watch', [SAID], typed('What to watch', 'redness'), { watch: 'redness' }],
    ['a note', [SAID], typed('Note', 'Lightly.'), { note: 'Lightly.' }],
    ['a tool', [WORKED], pressed('button', 'sponges'), { tools: ['sponges'] }],
    ['plain gloves', [WORKED], pressed('radio', 'plain'), { gloves: 'plain' }],
    ['sterile gloves', [WORKED], pressed('radio', 'sterile'), { gloves: 'sterile' }],
    [
      'a mix that is made',
      [WORKED],
      pressed('button', 'Clay mask, mixed'),
      { makes: ['clay-mask'] },
    ],
    [
      'until the skin shows something',
      [WORKED],
      typed('Until (the skin shows)', 'clean'),
      { until: 'clean', capMinutes: expect.any(Number) },
    ],
    [
      'a device that runs along',
      ['Device'],
      pressed('button', 'Light panel'),
      { running: ['light-panel'] },
    ],
    [
      'pressure',
      [HANDS],
      chosen('Pressure', 'light pressure'),
      { technique: { pressure: 'light' } },
    ],
    ['how often', [HANDS], typed('How often', '3'), { technique: { hold: { times: 3 } } }],
    [
      'skin held taut',
      [HANDS],
      pressed('button', 'skin held taut'),
      { technique: { stretched: true } },
    ],
    [
      'somebody for whom it is usually left out',
      ['For whom'],
      pressed('radio', 'usually left out'),
      { optional: { usually: 'left-out' } },
    ],
    [
      'a treatment that may be offered',
      ['For whom'],
      pressed('button', 'Lip balm treatment'),
      { offers: ['lip-balm-care'] },
    ],
  ])('is given %s', async (_what, folds, act, changes) => {
    await expectStep('black-sand-clay-facial/cleanse', folds, act, changes);
  });
});

describe('what a step takes', () => {
  const MILK = 'Prickly-pear cleansing milk';
  it.each<[string, Act, StepChanges]>([
    [
      'more of it at most',
      typed(`Amount of ${MILK}, high`, '5'),
      { doses: [{ amount: { quantity: { low: 2, usual: 3, high: 5 } } }, {}] },
    ],
    [
      'another measure, with the same figure',
      chosen(`${MILK}, stated in`, 'ml'),
      { doses: [{ amount: { how: 'measured', unit: 'ml' } }, {}] },
    ],
    [
      'less of it: a thing is taken out',
      pressed('button', 'Remove Cotton pads from the step'),
      { doses: [{ source: { materialId: 'prickly-pear-milk' } }] },
    ],
    [
      'the pads of before',
      async (at) => {
        await at.click('button', 'More of Cotton pads');
        await at.click('radio', 'the same again');
      },
      { doses: [{}, { again: true }] },
    ],
  ])('is %s', async (_what, act, changes) => {
    await expectStep('black-sand-clay-facial/cleanse', [], act, changes);
  });
});

describe('needling', () => {
  const at = 'fine-needle-renewal/one-pass-zone-by-zone';
  it.each<[string, readonly string[], Act, StepChanges]>([
    [
      'contact since the first touch',
      [],
      pressed('radio', 'from the first touch'),
      { capSince: 'first-touch' },
    ],
    [
      'no longest contact',
      [],
      typed('Contact at most', ''),
      { capMinutes: undefined, until: undefined },
    ],
    [
      'a greater depth on its first zone',
      ['Device'],
      typed('depth', '0.4'),
      {
        device: {
          settings: [{ values: [{ kind: 'depth', value: 0.4 }, { kind: 'pulse' }] }, {}, {}],
        },
      },
    ],
    [
      'more passes on its first zone',
      ['Device'],
      typed('passes', '3'),
      { device: { settings: [{ passes: 3 }, { passes: 2 }, { passes: 2 }] } },
    ],
    [
      'no settings of its own for a zone',
      ['Device'],
      pressed('button', 'Remove the settings for cheeks'),
      { device: { settings: [{ zones: ['forehead'] }, { zones: ['chin', 'jawline'] }] } },
    ],
  ])('is given %s', async (_what, folds, act, changes) => {
    await expectStep(at, folds, act, changes);
  });
});

describe('layers', () => {
  it('are named, counted and waited for, for the whole protocol', async () => {
    await person.openApp('/protocols/layered-fruit-acid/acid');
    await person.fill('On later visits', '5');
    const { layerGroups } = await person.draft();
    expect(layerGroups).toMatchObject([
      { name: 'Acid layers', layers: { returning: 5, first: 2 } },
    ]);
  });
});

describe('how what was put on comes off', () => {
  const OFF = 'How it comes off';
  const RINSE = 'prickly-pear-calm/rinse-cool';
  const taking = { materialId: 'cotton-pad', pieces: 2 };
  it.each<[string, Act, StepChanges]>([
    [
      'otherwise',
      chosen('Comes off with', REMOVAL_WORDS['warm-towel']),
      { removal: { how: 'warm-towel', taking, waterMl: 400 } },
    ],
    ['not at all', chosen('Comes off with', 'not in this step'), { removal: undefined }],
    ['with less water', typed('Water', '250'), { removal: { waterMl: 250 } }],
    [
      'with water that nobody measured',
      typed('Water', ''),
      { removal: { how: 'cool-water', taking } },
    ],
    ['with more pieces', typed('Pieces', '3'), { removal: { taking: { pieces: 3 } } }],
    [
      'with something else, as many of it',
      chosen('Taking', 'Face towel'),
      { removal: { taking: { materialId: 'face-towel', pieces: 2 } } },
    ],
    ['with nothing', chosen('Taking', 'nothing'), { removal: { how: 'cool-water', waterMl: 400 } }],
    [
      'with the same again',
      pressed('radio', 'the same again'),
      { removal: { taking: { ...taking, again: true } } },
    ],
  ])('is said to come off %s', async (_what, act, changes) => {
    await expectStep(RINSE, [OFF], act, changes);
  });

  it('covers its zones while it is on, or leaves them to be worked', async () => {
    await expectStep(RINSE, [OFF], pressed('radio', 'they lie under it'), { covers: true });
  });

  it('takes no more pieces than can be, and keeps what was typed', async () => {
    await person.openApp(`/protocols/${RINSE}`);
    await person.click('button', OFF);
    await person.fill('Pieces', '0');
    await person.sees('Must be');
    expect(await person.valueOf('Pieces')).toBe('0');
    expect(person.store.getState().queue.writes).toEqual([]);
  });
});
