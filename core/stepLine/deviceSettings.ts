import type { RunningAt, SetValue, ZoneSetting } from '../house/house';
import { SETTING_KINDS, type SettingKind } from '../house/device';
import type { DeviceId } from '../house/ids';
import type { ZoneId } from '../zone/zones';
import type { Cursor } from './cursor';
import { takeList, takeZones } from './lists';
import { takeNumber } from './numbers';
import { listed, Phrases, type Vocabulary } from './vocabulary';

const SETTINGS = new Phrases<SettingKind>();
for (const kind of SETTING_KINDS) SETTINGS.add(kind.replaceAll('-', ' '), kind);

/** What runs along, and what of it is set: `facial steamer (temperature 40), light panel`. */
export function readRunning(
  cursor: Cursor,
  words: Vocabulary,
): { readonly running: readonly DeviceId[]; readonly runningAt: readonly RunningAt[] } | undefined {
  const running: DeviceId[] = [];
  const runningAt: RunningAt[] = [];
  for (let goesOn = true; goesOn;) {
    const [deviceId] = takeList(cursor, words.devices, 'device', 'one') ?? [];
    if (!deviceId) return undefined;
    if (!running.includes(deviceId)) running.push(deviceId);
    const values = takeRunningAt(cursor);
    if (values.length > 0) runningAt.push({ deviceId, values });
    const { mark } = cursor;
    goesOn =
      cursor.takeWord(',', 'and', '+') !== undefined && (cursor.sees(words.devices) || cursor.done);
    if (!goesOn) cursor.backTo(mark);
  }
  return { running, runningAt };
}

/** `(temperature 40, intensity 2-3)` behind a device that runs along */
function takeRunningAt(cursor: Cursor): readonly SetValue[] {
  const values: SetValue[] = [];
  const { from } = cursor;
  if (!cursor.takeWord('(')) return values;
  do {
    const at = cursor.from;
    const value = takeSetValue(cursor);
    if (value) values.push(value);
    else cursor.fault(at, cursor.behind, whatIsSet());
  } while (cursor.takeWord(','));
  if (!cursor.takeWord(')')) cursor.fault(from, cursor.behind, 'The bracket is not closed.');
  return values;
}

/** `(face: depth 0.5, 2 passes; forehead: depth 0.25)` */
export function takeSettings(cursor: Cursor, words: Vocabulary): ZoneSetting[] {
  const settings: ZoneSetting[] = [];
  if (!cursor.takeWord('(')) return settings;
  while (!cursor.done && !cursor.takeWord(')')) {
    if (cursor.takeWord(';')) continue;
    const from = cursor.from;
    const zones = takeZones(cursor, words);
    if (!zones) {
      cursor.take();
      continue;
    }
    if (!cursor.takeWord(':')) {
      cursor.fault(from, cursor.behind, 'A colon comes between the zones and what is set there.');
    }
    settings.push(takeValues(cursor, zones, words));
  }
  return settings;
}

function takeValues(cursor: Cursor, zones: readonly ZoneId[], words: Vocabulary): ZoneSetting {
  const values: SetValue[] = [];
  let passes: number | undefined;
  let share: ZoneSetting['share'];
  for (;;) {
    const from = cursor.from;
    const of = takeShare(cursor, words);
    if (of) {
      share = of;
      if (!cursor.takeWord(',')) break;
      continue;
    }
    const value = takeSetValue(cursor);
    const count = value ? undefined : takeNumber(cursor)?.value;
    if (value) values.push(value);
    else if (count !== undefined && cursor.takeWord('pass', 'passes')) passes = count;
    else if (cursor.behind > from) cursor.fault(from, cursor.behind, whatIsSet());
    if (!cursor.takeWord(',')) break;
  }
  return { zones, values, ...(passes !== undefined && { passes }), ...(share && { share }) };
}

/** `depth 0.5`, `depth 0.5-0.8`, `temperature -4`; taken as far as it goes where it is not all there */
function takeSetValue(cursor: Cursor): SetValue | undefined {
  const { from } = cursor;
  const kind = cursor.takePhrase(SETTINGS)?.meanings[0]?.value;
  if (!kind) return undefined;
  const minus = cursor.takeWord('-') ? -1 : 1;
  const number = takeNumber(cursor);
  if (!number) return undefined;
  const value = minus * number.value;
  const upTo = takeUpTo(cursor);
  if (upTo !== undefined && upTo <= value)
    cursor.fault(from, cursor.behind, 'From less to more: such as depth 0.5-0.8.');
  return { kind, value, ...(upTo !== undefined && { upTo }) };
}

function whatIsSet(): string {
  return `Say what is set and to how much: ${listed(SETTINGS.all().map(({ name }) => name))}.`;
}

/** `0.5 of cheeks`, `half of cheeks` */
function takeShare(cursor: Cursor, words: Vocabulary): ZoneSetting['share'] {
  const { mark } = cursor;
  const part = cursor.takeWord('half') ? 0.5 : takeNumber(cursor)?.value;
  const of =
    part !== undefined && part > 0 && cursor.takeWord('of') && cursor.sees(words.zones)
      ? takeZones(cursor, words, 'one')?.[0]
      : undefined;
  if (part !== undefined && of) return { of, part };
  cursor.backTo(mark);
  return undefined;
}

/** `-0.8`, `to 0.8` behind a number */
function takeUpTo(cursor: Cursor): number | undefined {
  const { mark } = cursor;
  const minus = cursor.takeWord('-', 'to');
  const sign = minus && cursor.takeWord('-') ? -1 : 1;
  const value = minus && takeNumber(cursor)?.value;
  if (value === undefined) cursor.backTo(mark);
  return value === undefined ? undefined : sign * value;
}
