import type { Otherwise, OtherLayers, Step } from '@bienestar/core/house/house';
import { techniqueWords } from '@bienestar/core/house/technique';
import { ZONE_MODES, ZONE_MODE_WORDS } from '@bienestar/core/house/ways';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { minutesWords, timeWords } from '../../format/amountWords';
import {
  hangingWords,
  removalWords,
  runningWords,
  settingsWords,
  spoken,
} from '../../format/protocolWords';
import type { RoomWork } from './roomWork';

type Where = Pick<RoomWork, 'house' | 'written'>;

const HANDS_WORDS: Readonly<Record<Step['hands'], string>> = {
  'hands-on': 'hands on',
  watching: 'watching',
  free: 'hands free',
};

/** Where, how and with what a step is worked, until when, and how it comes off; a line for each. */
export function detailsOf(
  step: Otherwise['says'],
  { house }: Pick<RoomWork, 'house'>,
  contact: string | undefined,
): string[] {
  const own = house.settings.ownZones;
  const nameOf = (id: string): string | undefined =>
    house.materials.find((each) => each.id === id)?.name;
  const device = step.device && house.devices.find((each) => each.id === step.device?.deviceId);
  const running = (step.running ?? []).flatMap((id) => {
    const along = house.devices.find((each) => each.id === id);
    return along ? [runningWords(along, step.runningAt)] : [];
  });
  return [
    zonesSaid(step.zones ?? [], own).join(', '),
    ...ZONE_MODES.map(
      (mode) => step[mode] && `${ZONE_MODE_WORDS[mode]} ${zonesSaid(step[mode], own).join(', ')}`,
    ),
    ...(step.technique ? techniqueWords(step.technique) : []),
    step.tools && `with ${step.tools.map(spoken).join(', ')}`,
    device && `with ${device.name}`,
    ...settingsWords(
      step.device?.settings ?? [],
      (kind) => device?.settings.find((each) => each.kind === kind)?.unit ?? '',
      own,
    ),
    running.length > 0 && `${running.join(', ')} running`,
    step.until && `until ${step.until}`,
    contact,
    step.gloves && `${step.gloves} gloves`,
    step.removal &&
      (step.removal.how === 'stays-on'
        ? removalWords(step.removal, nameOf)
        : `comes off: ${removalWords(step.removal, nameOf)}`),
  ].filter((each): each is string => typeof each === 'string' && each !== '');
}

/** How a step is otherwise for some: "but Skin type: sensitive: 6 min, at most 8 min". */
export function otherwiseWords(each: Otherwise, work: Where): string {
  const { minutes, hands, capMinutes, capSince } = each.says;
  const contact =
    capMinutes === undefined
      ? undefined
      : `at most ${timeWords(capMinutes)}${capSince ? ' from the first touch' : ''}`;
  const said = [
    minutes && minutesWords(minutes),
    hands && HANDS_WORDS[hands],
    ...detailsOf(each.says, work, contact),
  ].filter(Boolean);
  return `but ${hangingWords(work.written.choices, each) ?? ''}: ${said.join(', ')}`;
}

/** How many layers there are for some. */
export function otherLayersWords(
  each: OtherLayers,
  { written }: Pick<RoomWork, 'written'>,
): string {
  const { first, returning } = each.layers;
  const times =
    first === returning
      ? often(first)
      : `${often(first)} on a first visit, ${often(returning)} later`;
  return `but ${hangingWords(written.choices, each) ?? ''}: ${times}`;
}

function often(count: number): string {
  return count === 1 ? 'once' : `${count} times`;
}
