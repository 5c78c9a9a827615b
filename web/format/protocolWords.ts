import type { Client } from '@bienestar/core/house/client';
import type {
  CautionLevel,
  Choice,
  ChoosingBy,
  ComparedWith,
  Conditional,
  Device,
  Lasting,
  RemovalWay,
  RunningAt,
  Step,
  ZoneSetting,
} from '@bienestar/core/house/house';
import { optionsOf } from '@bienestar/core/house/protocol';
import type { ZoneSet } from '@bienestar/core/zone/zoneSets';
import { energyInAll, resolvedSettings } from '@bienestar/core/protocol/deviceSettings';
import { zoneName } from '@bienestar/core/zone/zoneNames';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { number, percent } from './figures';

/** A word of the vocabulary as it is read: "visible-capillaries" is "visible capillaries". */
export function spoken(word: string): string {
  return word.replace(/^own-/u, '').replaceAll('-', ' ');
}

export const CHOOSING_WORDS: Record<ChoosingBy, string> = {
  'skin-type': 'skin type',
  phototype: 'phototype',
  condition: 'what is seen',
  'visit-kind': 'first or later visit',
  'course-visit': 'which visit of the course',
  'since-last': 'how long ago the last visit was',
  'day-time': 'day or evening',
  season: 'season',
  couch: 'decided at the couch',
};

export const LEVEL_WORDS: Record<CautionLevel, string> = {
  stop: 'Stop',
  refer: 'Refer',
  'take-care': 'Take care',
};

export const COMPARED_WORDS: Readonly<Record<ComparedWith, string>> = {
  before: 'how it was before',
  'the-other-side': 'the other side',
  'the-last-visit': 'the last visit',
};

/** How something comes off, in a line. */
export function removalWords(
  { how, taking, waterMl }: NonNullable<Step['removal']>,
  nameOf: (id: string) => string | undefined,
): string {
  const uses = [
    taking &&
      `${number(taking.pieces)} ${nameOf(taking.materialId) ?? 'pieces'}${taking.again ? ', the same again' : ''}`,
    waterMl === undefined ? undefined : `${number(waterMl)} ml water`,
  ].filter((each) => each !== undefined);
  return [REMOVAL_WORDS[how], ...uses].join(', ');
}

export const REMOVAL_WORDS: Record<RemovalWay, string> = {
  'warm-water': 'warm water',
  'cool-water': 'cool water',
  'warm-towel': 'warm towel',
  'cool-towel': 'cool towel',
  sponges: 'sponges',
  spatula: 'spatula',
  tissue: 'tissue',
  'peel-away': 'peels away',
  shower: 'shower',
  'stays-on': 'stays on',
};

/**
 * Settings of a device, a line for each row: "cheeks: depth 0.5–0.8 mm, 2 passes". A share of other zones is worked
 * out; energy that is given several times is told in all.
 */
export function settingsWords(
  settings: readonly ZoneSetting[],
  unitOf: (kind: string) => string,
  own?: readonly ZoneSet[],
): string[] {
  return resolvedSettings(settings).map((resolved, at) => {
    const { zones, values, passes } = resolved;
    const share = settings[at]?.share;
    const inAll = energyInAll(resolved);
    const set = values.map(({ kind, low, high }) =>
      `${spoken(kind)} ${fromTo(low, high)} ${unitOf(kind)}`.trim(),
    );
    if (passes !== undefined) set.push(passes === 1 ? '1 pass' : `${passes} passes`);
    /* What is a power has no sum. */
    if (inAll && /^[km]?J/.test(unitOf('energy')))
      set.push(`${fromTo(inAll.low, inAll.high)} ${unitOf('energy')} in all`);
    const of = share && `${percent(share.part, 0)} of what ${zoneName(share.of)} has: `;
    return `${zonesSaid(zones, own).join(', ')}: ${of ?? ''}${set.join(', ')}`;
  });
}

/** A device that runs along, with what of it is set: "Facial steamer (temperature 40 °C)". */
export function runningWords(
  { id, name, settings }: Device,
  runningAt: readonly RunningAt[] = [],
): string {
  const values = runningAt.find(({ deviceId }) => deviceId === id)?.values ?? [];
  const set = values.map(({ kind, value, upTo = value }) => {
    const unit = settings.find((each) => each.kind === kind)?.unit ?? '';
    return `${spoken(kind)} ${fromTo(value, upTo)} ${unit}`.trim();
  });
  return set.length === 0 ? name : `${name} (${set.join(', ')})`;
}

function fromTo(low: number, high: number): string {
  return low === high ? number(low) : `${number(low)}–${number(high)}`;
}

/** For whom an option is, in a line. */
export function optionWords(choice: Choice, optionId: string | undefined): string {
  const option = choice.options.find(({ id }) => id === optionId);
  if (!option) return choice.name;
  const whom =
    choice.by === 'couch'
      ? option === choice.options[0]
        ? 'usual'
        : ''
      : option.for.length === 0
        ? 'anybody else'
        : `${option.for.map(spoken).join(', ')}${option.where ? ` on ${zonesSaid(option.where).join(', ')}` : ''}`;
  const isSaid = whom === '' || whom === option.name.toLowerCase();
  return `${choice.name}: ${option.name}${isSaid ? '' : ` (${whom})`}`;
}

/** Everything on which something hangs, in a line; nothing of what is for everybody. */
export function hangingWords(choices: readonly Choice[], thing: Conditional): string | undefined {
  const words = optionsOf(thing).flatMap(({ choiceId, optionId }) => {
    const choice = choices.find(({ id }) => id === choiceId);
    return choice ? [optionWords(choice, optionId)] : [];
  });
  return words.length === 0 ? undefined : words.join(' and ');
}

/** The names of the options on which something hangs; nothing of what is for everybody. */
export function hangingNames(choices: readonly Choice[], thing: Conditional): string | undefined {
  const names = optionsOf(thing).flatMap(
    ({ choiceId, optionId }) =>
      choices.find(({ id }) => id === choiceId)?.options.find(({ id }) => id === optionId)?.name ??
      [],
  );
  return names.length === 0 ? undefined : names.join(' and ');
}

/** A client in a line: "dry skin, phototype III, first visit, evening". */
export function clientWords(client: Client): string {
  return [
    `${client.skinType} skin`,
    `phototype ${client.phototype}`,
    client.visitKind === 'first' ? 'first visit' : 'later visit',
    client.dayTime,
    client.season,
    ...(client.build === 'reference' ? [] : [`${client.build} build`]),
    ...client.conditions.map((each) => {
      const zones = client.seenOn?.get(each) ?? [];
      return zones.length === 0
        ? spoken(each)
        : `${spoken(each)} on ${zonesSaid(zones).join(', ')}`;
    }),
  ].join(', ');
}

/** A length of time outside the room: "3 days". */
export function lastingWords({ amount, upTo, unit }: Lasting): string {
  if (upTo !== undefined) return `${number(amount)} to ${number(upTo)} ${unit}`;
  return `${number(amount)} ${amount === 1 ? unit.slice(0, -1) : unit}`;
}
