import { describe, expect, it } from 'vitest';
import { consumptionByMaterial } from '@bienestar/core/draws/consumption';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { houseOf } from '@bienestar/core/stock/houseOf';
import { clientWith, type Client } from '@bienestar/core/house/client';
import { SKIN_TYPES } from '@bienestar/core/house/traits';
import { sourceName } from '@bienestar/core/house/sources';
import type { Dose, Protocol } from '@bienestar/core/house/house';
import { trayOf } from '@bienestar/core/room/tray';
import { DEMO } from '../../testing/demoInBrowser';
import { amountText, amountWords } from '../../format/amountWords';
import { clientWords, optionWords } from '../../format/protocolWords';
import { cardText } from './cardText';
import { cardWords, type CardWords } from './cardWords';
import { trayWords } from './trayWords';
import { roomWorkOf, type RoomWork } from './roomWork';

/* The card and the tray of every protocol of the demo house, in the words a therapist reads. */

const house = houseOf(DEMO);
const { materials } = createCalculator()(house);

function workFor(protocol: Protocol, client: Client): RoomWork {
  const service = house.services.find((each) => each.protocolId === protocol.id);
  const inUse = { protocol, mixes: house.mixes, called: 'draft' };
  const work = roomWorkOf(house, materials, inUse, service, client);
  if (!work.ok) throw new Error(`${protocol.name} cannot be worked.`);
  return work.value;
}

const usual = clientWith();
const cardOf = (protocol: Protocol, client = usual): CardWords =>
  cardWords(workFor(protocol, client), clientWords(client));
const named = (id: string): Protocol => {
  const found = house.protocols.find((each) => each.id === id);
  if (!found) throw new Error(`There is no ${id}.`);
  return found;
};
const linesOf = (card: CardWords) => card.stretches.flatMap(({ lines }) => lines);

describe.each(house.protocols.map((protocol) => [protocol.name, protocol] as const))(
  'the card of %s',
  (_name, protocol) => {
    it('has every step that is done, in order, each with its minutes', () => {
      const work = workFor(protocol, usual);
      const lines = linesOf(cardWords(work, '')).filter(({ standing }) => standing === 'done');
      expect(lines.map(({ key }) => key).toSorted()).toEqual(
        work.protocol.steps.map((step) => step.id).toSorted(),
      );
      for (const line of lines) expect(line.minutes).toMatch(/^([\d.,]+( s)?–)?[\d.,]+ (min|s)$/);
      const numbers = lines.flatMap((line) => (line.number === '' ? [] : [Number(line.number)]));
      expect(numbers).toEqual(numbers.map((_, at) => at + 1));
    });

    it('says nothing that is empty or unknown', () => {
      const card = cardOf(protocol);
      const said = [
        card.title,
        card.subtitle,
        ...card.cautions.flatMap(({ time, stop, others }) => [time, `${stop}${others}`]),
        ...card.before,
        ...card.after,
        ...linesOf(card).flatMap(({ name, amounts, mixes, details }) => [
          name,
          ...amounts.map(amountText),
          ...mixes,
          ...details,
        ]),
      ];
      for (const words of said) {
        expect(words.trim()).not.toBe('');
        expect(words).not.toMatch(/undefined|NaN|null|no longer on|\[object/);
      }
    });

    it('has a tray whose amounts are those that are costed', () => {
      const work = workFor(protocol, usual);
      const made = trayOf([{ name: 'one', ...work }], work.shelf, work.settings);
      if (!made.ok) throw new Error('The tray cannot be laid.');
      const tray = made.value;
      const drawn = new Map<string, number>();
      for (const item of tray.items) {
        const parts =
          item.kind === 'thing'
            ? [{ materialId: item.materialId, amount: item.amount }]
            : item.kind === 'mix'
              ? item.parts
              : [];
        for (const { materialId, amount } of parts) {
          drawn.set(materialId, (drawn.get(materialId) ?? 0) + amount.usual);
        }
      }
      for (const [id, { usual: costed }] of consumptionByMaterial(work.draws)) {
        expect(drawn.get(id), id).toBeCloseTo(costed, 6);
      }
      for (const line of trayWords(tray, house)) {
        expect(line.name).not.toMatch(/no longer|undefined/);
        expect(line.at).toMatch(/^(before|min \d+)$/);
      }
    });
  },
);

describe.each(house.protocols.map((protocol) => [protocol.name, protocol] as const))(
  'nothing that was written of %s is lost',
  (_name, protocol) => {
    const work = workFor(protocol, usual);
    const forms = {
      'for one client': cardText(cardWords(work, clientWords(usual))),
      'for everybody': cardText(cardWords(work, undefined)),
    };
    const thingOf = ({ source }: Dose): string | undefined => sourceName(house, source);

    it.each(Object.entries(forms))('on the card %s', (_form, text) => {
      for (const step of work.written.steps) {
        const { name, watch, note, say, why, until, optional } = step;
        const lost = [name, watch, note, say, why, until, optional?.if].filter(
          (words) => words !== undefined && !text.includes(words),
        );
        expect(lost, name).toEqual([]);
        const choice = work.written.choices.find(({ id }) => id === step.option?.choiceId);
        if (choice) expect(text).toContain(optionWords(choice, step.option?.optionId));
      }
      for (const mix of house.mixes.filter(({ id }) =>
        work.protocol.steps.some(({ makes }) => makes?.includes(id)),
      )) {
        if (mix.method !== undefined) expect(text).toContain(mix.method.replace(/\.$/u, ''));
      }
    });

    it('on the card, amounts as they were said', () => {
      for (const step of work.written.steps) {
        for (const dose of step.doses) {
          const name = thingOf(dose);
          expect(forms['for everybody']).toContain(`${amountWords(dose.amount, name)} ${name}`);
        }
      }
      for (const step of work.protocol.steps) {
        for (const dose of step.doses) {
          const name = thingOf(dose);
          expect(forms['for one client']).toContain(`${amountWords(dose.amount, name)} ${name}`);
        }
      }
    });
  },
);

describe('what a card says', () => {
  it('tells when each step begins, for the guest and for the room', () => {
    const lines = linesOf(cardOf(named('black-sand-clay-facial')));
    const clocks = lines.map(({ name, guestClock, roomClock }) => [name, guestClock, roomClock]);
    expect(clocks.slice(0, 3)).toEqual([
      ['Prepare room and tray', undefined, '0'],
      ['Consult and settle', '0', '5'],
      ['First cleanse', '7', '12'],
    ]);
  });

  it('says amounts as hands count them, with the unit of the product behind', () => {
    const said = linesOf(cardOf(named('black-sand-clay-facial'))).flatMap(({ amounts }) =>
      amounts.map(amountText),
    );
    expect(said).toEqual(
      expect.arrayContaining([
        '2–4 pumps Prickly-pear cleansing milk (2.9–6.9 ml)',
        '5–8 drops Cactus-flower serum (0.23–0.44 ml)',
        'standard coat Mineral sunscreen (about 1.6 ml)',
        '4 pieces Cotton pads',
      ]),
    );
  });

  it('begins with what stops, and defers to makers, codes and licence where it can hurt', () => {
    const card = cardOf(named('fine-needle-renewal'));
    expect(card.cautions.map(({ time }) => time)).toEqual(['Ask', 'Look', 'Mind', 'Tell']);
    expect(card.cautions[0]?.stop).toContain('Blood thinners');
    expect(card.cautions[0]?.others).toMatch(/^Refer: /);
    expect(card.cautions[1]?.stop).toContain('Tendency to keloid scars');
    expect(card.notice).toContain('licence');
  });

  it('tells of layers how often, how long between, and when to stop', () => {
    const lines = linesOf(cardOf(named('layered-fruit-acid')));
    expect(lines.find(({ layers }) => layers !== undefined)?.layers).toMatch(
      /^Acid layers: 4 times; between: wait .* min; after each: ask “.*” \(0-10\), lightly at 4, off at 7; but Skin today: Touchy: once on a first visit, 2 times later$/,
    );
    const first = linesOf(cardOf(named('layered-fruit-acid'), clientWith({ visitKind: 'first' })));
    expect(first.find(({ layers }) => layers !== undefined)?.layers).toContain('2 times');
  });

  it('tells of a device what is set on which zone, in its unit', () => {
    const details = linesOf(cardOf(named('fine-needle-renewal'))).flatMap((line) => line.details);
    expect(details).toContain('forehead: depth 0.3 mm, pulse 90 Hz, 1 pass');
    expect(details).toContain('never on eye contour');
    expect(details).toContain('until even pinkness');
  });

  it('tells the days after product by product, and what is recommended for which finding', () => {
    expect(cardOf(named('copper-ampoule')).after).toContain(
      'At home morning and night for 1 day: half an ampoule Copper-peptide ampoule, pressed into damp skin, the second half from the closed ampoule',
    );
    expect(cardOf(named('layered-fruit-acid')).after).toContain(
      'Recommend After-care kit for redness',
    );
  });

  it('tells how the hands work, what is asked, and what happens at which minute', () => {
    const lines = linesOf(cardOf(named('warmth-lift')));
    const warm = lines.find(({ name }) => name.startsWith('Warm the half'));
    expect(warm?.details).toEqual(
      expect.arrayContaining(['in circles', 'outwards', 'light pressure']),
    );
    expect(warm?.asks).toEqual([
      'at 2 min: measure the skin',
      'ask “Skin, measured” (number in °C), lightly at 38, off at 40',
    ]);
    expect(warm?.details).toContain(
      'forehead: 70% of what cheeks has: temperature 38 °C, energy 14 W',
    );
    const mask = linesOf(cardOf(named('fresh-harvest'))).find(
      ({ name }) => name === 'Harvest mask rests',
    );
    expect(mask?.details.find((each) => each.startsWith('at most'))).toMatch(
      /^at most 15 min from the first touch \(first zone [\d.]+, last zone [\d.]+ min\)$/,
    );
    const acid = linesOf(cardOf(named('layered-fruit-acid'))).flatMap(({ amounts }) => amounts);
    expect(acid.some(({ said }) => said.endsWith('Fruit-acid blend 20 %, pH 3.5'))).toBe(true);
  });

  it('tells before and after the visit', () => {
    const card = cardOf(named('overnight-corrector'), clientWith({ dayTime: 'evening' }));
    expect(card.before[0]).toMatch(/from 2 weeks before$/);
    expect(card.after[0]).toBe(
      'Takes off at home: the corrector, with lukewarm water, after 8 to 10 hours',
    );
    expect(card.after.at(-1)).toBe('Next visit no sooner than 28 days, at most 4 a year');
  });

  it('tells for whom, who may do it, what is compared, and when it is not done', () => {
    const text = (id: string): string => cardText(cardOf(named(id)));
    expect(text('fine-needle-renewal')).toMatch(
      /^For: Lines, scars .*\nWho may do it: Only trained/m,
    );
    expect(text('copper-ampoule')).toContain(
      'Compare the jawline, in a picture with how it was before, at the end of the visit',
    );
    expect(text('copper-ampoule')).toContain('with how it was before, after 3 weeks');
    expect(text('layered-fruit-acid')).toContain('at most 8 a year; not in summer');
  });

  it('has another card for other skins, where the protocol makes a difference', () => {
    const cards = SKIN_TYPES.map((skinType) =>
      JSON.stringify(linesOf(cardOf(named('prickly-pear-calm'), clientWith({ skinType })))),
    );
    expect(new Set(cards).size).toBeGreaterThan(1);
  });
});
