import fc from 'fast-check';
import { expect, it } from 'vitest';
import { cautionsOf } from '@bienestar/core/care/cautionsOf';
import type { Otherwise, Step } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { RESPONSES } from '@bienestar/core/house/question';
import { techniqueWords } from '@bienestar/core/house/technique';
import { VARYING } from '@bienestar/core/house/ways';
import { anyStep } from '@bienestar/core/testing/anyStep';
import { house, minutes, protocol, shelf, step, valueOf } from '@bienestar/core/testing/sample';
import { clay, materials, pen, steamer } from '@bienestar/core/testing/spoken';
import { scheduleOf } from '@bienestar/core/time/schedule';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { number } from '../../format/figures';
import { REMOVAL_WORDS, spoken } from '../../format/protocolWords';
import { cardText } from './cardText';
import { cardWords } from './cardWords';
import type { RoomWork } from './roomWork';

/* Whatever a step says stands on its card, be it for everybody or for some. */

const offered = protocol([], { id: asId('eye-sheet'), name: 'Eye sheet' });
const inHouse = house({
  materials,
  mixes: [clay],
  devices: [pen, steamer],
  protocols: [offered],
});
const choices = [
  {
    id: asId<never>('skin'),
    name: 'Skin',
    by: 'skin-type',
    take: 'first',
    options: [{ id: asId<never>('dry'), name: 'Parched', for: ['dry'] }],
  },
] as const;
const on = { option: { choiceId: choices[0].id, optionId: choices[0].options[0].id } };

function textOf(of: Step): string {
  const written = protocol([of], { choices });
  const onShelf = shelf(materials, [clay]);
  const cautions = cautionsOf(written, onShelf, new Map());
  /* What is drawn needs measures that the card for everybody does not look at. */
  const work: RoomWork = {
    house: inHouse,
    protocol: written,
    written,
    schedule: valueOf(scheduleOf(protocol([step('x', minutes(1))]), 'first', inHouse.settings)),
    draws: [],
    shelf: onShelf,
    settings: inHouse.settings,
    cautions,
    cautionsOfAll: cautions,
    edition: 'draft',
  };
  return cardText(cardWords(work, undefined));
}

/** Where, how, with what, how long and how it comes off. */
function wordsOfWork(says: Otherwise['says']): (string | undefined)[] {
  const { zones = [], technique, tools = [], device, running, removal, gloves } = says;
  const inZones = ([zones, says.lightly, says.more, says.last, says.never] as const).flatMap(
    (list) => zonesSaid(list ?? []),
  );
  const set = (device?.settings ?? []).flatMap(({ values, passes, share }) => [
    ...values.flatMap(({ kind, value, upTo }) => [
      spoken(kind),
      number(value),
      upTo === undefined ? undefined : number(upTo),
    ]),
    passes === undefined ? undefined : `${passes} passes`,
    share && `${number(share.part * 100)}% of what`,
  ]);
  const { least, most } = says.minutes ?? { least: undefined, most: undefined };
  return [
    ...inZones,
    ...(technique ? techniqueWords(technique) : []),
    ...tools.map(spoken),
    device && pen.name,
    ...set,
    running && steamer.name,
    least === undefined ? undefined : time(least).split(' ')[0],
    most === undefined ? undefined : time(most),
    says.until,
    says.capMinutes === undefined ? undefined : `at most ${time(says.capMinutes)}`,
    says.capSince && 'from the first touch',
    removal && REMOVAL_WORDS[removal.how],
    removal?.taking &&
      `${number(removal.taking.pieces)} Face towel${removal.taking.again ? ', the same again' : ''}`,
    removal?.waterMl === undefined ? undefined : `${number(removal.waterMl)} ml water`,
    gloves && `${gloves} gloves`,
  ];
}

/** A time in the unit that keeps it a figure to read out. */
function time(minutes: number): string {
  return minutes > 0 && minutes < 1 ? `${number(minutes * 60)} s` : `${number(minutes)} min`;
}

/** All that a step says besides. */
function wordsBesides(of: Step): (string | undefined)[] {
  const names = new Map<string, string>([...materials, clay].map(({ id, name }) => [id, name]));
  return [
    of.name,
    of.say,
    of.why,
    of.watch,
    of.note,
    of.covers && 'covered',
    of.by === 'assistant' ? 'assistant' : undefined,
    of.optional && (of.optional.if === '' ? 'if needed' : of.optional.if),
    of.optional && (of.optional.usually === 'done' ? 'usually done' : 'usually left out'),
    of.offers && 'may be offered: Eye sheet',
    ...of.doses.flatMap(({ source, into, over, again }) => [
      names.get(source.kind === 'material' ? source.materialId : source.mixId),
      into && `into the ${into}`,
      over && 'for all layers together',
      again && 'the same again',
    ]),
    ...(of.asks ?? []).flatMap(({ ask, reactions }) => [
      ask,
      ...reactions.flatMap(({ response, atMostMinutes }) => [
        RESPONSES[response],
        atMostMinutes === undefined ? undefined : `at most ${atMostMinutes} min`,
      ]),
    ]),
    ...(of.moments ?? []).flatMap(({ atMinute, what }) => [`at ${time(atMinute)}`, what]),
  ];
}

it('loses nothing of what a step says, for everybody and for some', () => {
  fc.assert(
    fc.property(anyStep, anyStep, (of, other) => {
      const { zones, ...rest } = other;
      const says = Object.fromEntries(
        Object.entries({ ...rest, ...(zones.length > 0 && { zones }) }).filter(([key]) =>
          (VARYING as readonly string[]).includes(key),
        ),
      ) as Otherwise['says'];
      const text = textOf({ ...of, otherwise: [{ ...on, says }] });
      const [forEverybody = '', forSome = ''] = text.split('but Skin: Parched (dry):');
      const isLost = (where: string) => (words: string | undefined) =>
        words !== undefined && !where.includes(words);
      expect(wordsOfWork(of).filter(isLost(forEverybody))).toEqual([]);
      expect(wordsOfWork(says).filter(isLost(forSome))).toEqual([]);
      expect(wordsBesides(of).filter(isLost(text))).toEqual([]);
    }),
    { numRuns: 150 },
  );
});
