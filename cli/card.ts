import { parseArgs } from 'node:util';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { clientWith, type Client, type ClientTraits } from '@bienestar/core/house/client';
import { TRAIT_VALUES } from '@bienestar/core/protocol/choosingValues';
import { trayOf } from '@bienestar/core/room/tray';
import { clientWords } from '../web/format/protocolWords';
import { cardText, trayText } from '../web/places/card/cardText';
import { cardWords } from '../web/places/card/cardWords';
import { trayWords } from '../web/places/card/trayWords';
import { inUseOf, roomWorkOf } from '../web/places/card/roomWork';
import { complain, houseInFile } from './houseInFile';

/*
 * npm run -s card -- FILE PROTOCOL [--for-everybody] [--published] [--skin oily] [--phototype IV]
 *   [--visit first] [--course-visit 3] [--since-last 4-to-8-weeks] [--time evening] [--season summer] [--build large] [--seen redness]
 * Prints the card and the tray of a protocol of a house file as plain text. Problems go to stderr, one a
 * line, and the exit code is 1.
 */

const TRAITS = {
  skin: 'skinType',
  phototype: 'phototype',
  visit: 'visitKind',
  'course-visit': 'courseVisit',
  'since-last': 'sinceLast',
  time: 'dayTime',
  season: 'season',
  build: 'build',
} as const satisfies Record<string, keyof ClientTraits>;
type Trait = keyof typeof TRAITS;
const isTrait = (name: string): name is Trait => name in TRAITS;

const one = { type: 'string' } as const;
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    'for-everybody': { type: 'boolean' },
    published: { type: 'boolean' },
    skin: one,
    phototype: one,
    visit: one,
    'course-visit': one,
    'since-last': one,
    time: one,
    season: one,
    build: one,
    seen: { type: 'string', multiple: true },
  },
});
const [path, named] = positionals;
if (path === undefined || named === undefined) {
  complain(['Name a house file and a protocol: npm run -s card -- FILE PROTOCOL']);
}
const house = await houseInFile(path);
const protocol = house.protocols.find(({ id, name }) => id === named || name === named);
if (!protocol) {
  complain([
    `There is no protocol “${named}”. There are: ${house.protocols.map(({ id }) => id).join(', ')}.`,
  ]);
}
const inUse = inUseOf(house, protocol.id, values.published ? 'edition' : 'draft');
if (!inUse) complain([`${protocol.name} has not been published.`]);

const services = house.services.filter((each) => each.protocolId === protocol.id);
const service = services.find((each) => each.visitKind === 'returning') ?? services[0];
const client = clientOf({ ...service?.shownFor, ...(service && { visitKind: service.visitKind }) });
const { materials } = createCalculator()(house);
const work = roomWorkOf(house, materials, inUse, service, client);
if (!work.ok) complain(work.problems.map(({ message }) => message));
const forWhom = values['for-everybody'] ? undefined : clientWords(client);
const tray = trayOf(
  [{ name: protocol.name, ...work.value }],
  work.value.shelf,
  work.value.settings,
);
if (!tray.ok) complain(tray.problems.map(({ message }) => message));
process.stdout.write(
  `${cardText(cardWords(work.value, forWhom))}\n\n${trayText(trayWords(tray.value, house), tray.value.waterMl)}\n`,
);

/** The client of the service, with what was said otherwise. */
function clientOf(usual: Partial<Client>): Client {
  const said = Object.entries(values).flatMap(([name, value]) => {
    if (!isTrait(name) || typeof value !== 'string') return [];
    const known: readonly string[] = TRAIT_VALUES[TRAITS[name]];
    if (!known.includes(value)) complain([`--${name} is one of: ${known.join(', ')}.`]);
    return [[TRAITS[name], value] as const];
  });
  const seen = values.seen ?? [];
  const known: readonly string[] = TRAIT_VALUES.conditions;
  const unknown = seen.find((each) => !known.includes(each));
  if (unknown !== undefined) complain([`--seen is one of: ${known.join(', ')}.`]);
  return clientWith({
    ...usual,
    ...Object.fromEntries(said),
    ...(seen.length > 0 && { conditions: seen as Client['conditions'] }),
  });
}
