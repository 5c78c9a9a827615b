import type { HouseSettings } from '@bienestar/core/house/settings';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { number } from '../../format/figures';
import { spoken } from '../../format/protocolWords';
import type { LoggedAnswer, LoggedPasses, LoggedSetting } from '@bienestar/core/house/logbook';
import type { Deviation } from '@bienestar/core/logbook/logbookRows';
import { RESPONSE_WORDS } from '../room/roomWords';

/** What was other than planned, in a word or two. */
export const DEVIATION_WORDS: Readonly<Record<Deviation, string>> = {
  over: 'over the slot',
  stopped: 'stopped',
  off: 'taken off early',
  'left-out': 'something left out',
  amounts: 'other amounts',
  incident: 'incident',
};

/** The marks that stand for it in a line: an outline that is told apart without colour. */
export const DEVIATION_MARKS: Readonly<Record<Deviation, string>> = {
  over: '⟩',
  stopped: '■',
  off: '▲',
  'left-out': '∅',
  amounts: '≠',
  incident: '✚',
};

/** What was answered and what followed: "How does it feel? 5, off now (the rule said: go on, lightly; she asked)". */
export function answerWords({ ask, answer, response, rule, reason }: LoggedAnswer): string {
  const done = RESPONSE_WORDS[response].toLowerCase();
  const instead = rule === undefined ? '' : `the rule said: ${RESPONSE_WORDS[rule].toLowerCase()}`;
  const because = [instead, reason].filter(Boolean).join('; ');
  return `${ask === '' ? 'How is it?' : ask} ${answer}, ${done}${because === '' ? '' : ` (${because})`}`;
}

/** What a device was set to: "energy on cheeks 14 mJ, written 10–12". */
export function setWords(
  { zones, kind, unit, low, high, was }: LoggedSetting,
  ownZones: HouseSettings['ownZones'],
): string {
  const written = low === high ? number(low) : `${number(low)}–${number(high)}`;
  return `${spoken(kind)} on ${zonesSaid(zones, ownZones).join(', ')} ${number(was)} ${unit}, written ${written}`;
}

/** How often a device went over some zones: "cheeks 1 of 2 passes". */
export function passesWords(
  { zones, planned, done }: LoggedPasses,
  ownZones: HouseSettings['ownZones'],
): string {
  return `${zonesSaid(zones, ownZones).join(', ')} ${number(done, 0)} of ${planned === 1 ? '1 pass' : `${number(planned, 0)} passes`}`;
}
