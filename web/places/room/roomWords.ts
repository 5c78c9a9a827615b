import type { House, Source } from '@bienestar/core/house/house';
import { GRADES, SIGNS, type Question, type Response } from '@bienestar/core/house/question';
import type { Answer } from '@bienestar/core/house/run';
import type { RunAct } from '@bienestar/core/run/plan';
import type { ContactNow, CouldGive, RunTimes } from '@bienestar/core/run/runTimes';
import type { TakeOff } from '@bienestar/core/run/standing';
import { number, percent } from '../../format/figures';

/** Minutes on a clock: "4:05", "1:02:30". */
export function clockWords(minutes: number): string {
  const seconds = Math.max(0, Math.floor(minutes * 60 + 1e-6));
  const two = (figure: number): string => String(figure).padStart(2, '0');
  const hours = Math.floor(seconds / 3600);
  const [whole, rest] = [Math.floor((seconds % 3600) / 60), seconds % 60];
  return hours > 0 ? `${hours}:${two(whole)}:${two(rest)}` : `${whole}:${two(rest)}`;
}

/** Which layer it is: "Acid layers, 2 of 3". */
export function layerWords({ group, layer, layers, half }: RunAct): string | undefined {
  if (!group || layer === undefined) return undefined;
  const side = half === undefined ? '' : half === 'one-half' ? ', first half' : ', second half';
  return `${group.name}, ${layer} of ${layers ?? layer}${side}`;
}

/** Behind or ahead, to the minute. */
export function behindWords({ behind }: RunTimes): string {
  const minutes = Math.round(Math.abs(behind));
  if (minutes === 0) return 'on time';
  return `${number(minutes, 0)} min ${behind > 0 ? 'behind' : 'ahead'}`;
}

/** Whether it ends in time: "ends in time in 83 of 100 visits". */
export function chanceWords({ chance }: RunTimes): string {
  return `in the slot: ${percent(chance, 0)}`;
}

/** What could give, and what it brings. */
export function giveWords({ name, how, minutes, chance }: CouldGive): string {
  const what = how === 'left-out' ? `Leave out “${name}”` : `“${name}” as short as it may be`;
  return `${what}: ${number(minutes, 1)} min, then ${percent(chance, 0)} in the slot`;
}

/** What is done at an answer, as it is said in the room. */
export const RESPONSE_WORDS: Readonly<Record<Response, string>> = {
  'go-on': 'Go on',
  lightly: 'Go on, lightly',
  'fewer-layers': 'No further layer',
  wait: 'Wait, then ask again',
  off: 'Off now',
  neutralise: 'Neutralise now',
  stop: 'Stop, and refer',
};

/** What is asked, also where only a sign is looked at. */
export function askedWords({ ask, answer }: Question): string {
  if (ask !== '') return ask;
  return answer.kind === 'sign' ? `How much ${SIGNS[answer.sign]}?` : 'How is it?';
}

/** An answer as it was given. */
export function answeredWords({ answer }: Question, given: Answer): string {
  if (answer.kind === 'sign') return GRADES[Number(given)] ?? String(given);
  return typeof given === 'number' ? number(given) : given;
}

/** What lies on the skin, by its name on the shelf. */
export function onSkinWords({ name, source }: ContactNow, house: House): string {
  const product = source && sourceName(house, source);
  return product ?? name;
}

function sourceName(house: House, source: Source): string | undefined {
  return source.kind === 'mix'
    ? house.mixes.find(({ id }) => id === source.mixId)?.name
    : house.materials.find(({ id }) => id === source.materialId)?.name;
}

/** Why something must come off, in one line. */
export function takeOffTitle({ why }: TakeOff): string {
  if (why === 'stopped' || why === 'stop') return 'Stop and take off';
  return why === 'neutralise' ? 'Neutralise now' : 'Off now';
}
