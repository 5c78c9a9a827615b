import type { House, Protocol } from '@bienestar/core/house/house';
import { isStep } from '@bienestar/core/house/protocol';
import { changedThings, type ChangedThing } from '@bienestar/core/protocol/changedThings';
import { ORDER_WORDS, OWN_WORDS } from '@bienestar/core/protocol/mergeProtocols';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { writeStepLine } from '@bienestar/core/stepLine/writeStepLine';
import { dayText, number } from '../../format/figures';
import { afterWords, beforeWords } from '../card/aroundWords';

const NOTHING = 'nothing';

const THING_WORDS = { steps: 'step', layerGroups: 'layers', choices: 'choice' } as const;

/** What somebody changed in a protocol, a line each. */
export function changedWords(from: Protocol, to: Protocol): readonly string[] {
  return changedThings(from, to).map(thingWords);
}

function thingWords(thing: ChangedThing): string {
  switch (thing.kind) {
    case 'own':
    case 'order':
      return thing.words;
    case 'new':
      return `new ${THING_WORDS[thing.of]} “${thing.name}”`;
    case 'changed':
      return `${THING_WORDS[thing.of]} “${thing.name}”`;
    case 'gone':
      return `removed “${thing.name}”`;
  }
}

/**
 * What a protocol says of something that both changed, whole.
 * @param key of a clash of `mergeProtocols`
 */
export function saidOf(
  key: string,
  protocol: Protocol,
  words: Vocabulary,
  { materials }: Pick<House, 'materials'>,
): string {
  for (const list of Object.keys(ORDER_WORDS) as (keyof typeof ORDER_WORDS)[]) {
    if (ORDER_WORDS[list] === key) return listed(protocol[list].map(({ name }) => name));
  }
  for (const own of Object.keys(OWN_WORDS) as (keyof typeof OWN_WORDS)[]) {
    if (OWN_WORDS[own] === key) return ownWords(own, protocol, materials);
  }
  const step = protocol.steps.find(({ id }) => id === key);
  if (step) return isStep(step) ? writeStepLine(step, words) : step.name;
  const group = protocol.layerGroups.find(({ id }) => id === key);
  if (group) {
    const { first, returning } = group.layers;
    return `${group.name}: ${number(first)} on the first visit, ${number(returning)} later`;
  }
  const choice = protocol.choices.find(({ id }) => id === key);
  return choice ? `${choice.name}: ${listed(choice.options.map(({ name }) => name))}` : 'removed';
}

function ownWords(
  own: keyof typeof OWN_WORDS,
  protocol: Protocol,
  materials: House['materials'],
): string {
  switch (own) {
    case 'name':
    case 'summary':
    case 'goal':
    case 'meantFor':
    case 'licence':
      return protocol[own]?.trim() || NOTHING;
    case 'archivedOn':
      return protocol.archivedOn === undefined
        ? 'in use'
        : `archived ${dayText(protocol.archivedOn)}`;
    case 'cautions': {
      const { added = [], removed = [] } = protocol.cautions ?? {};
      return listed([
        ...added.map(({ text }) => text),
        ...removed.map(({ reason }) => `a usual one taken off: ${reason}`),
      ]);
    }
    case 'around':
      return listed([...beforeWords(protocol.around), ...afterWords(protocol.around, materials)]);
    case 'painRelief':
      return protocol.painRelief ?? 'not said';
  }
}

function listed(all: readonly string[]): string {
  return all.length === 0 ? NOTHING : all.join('; ');
}
