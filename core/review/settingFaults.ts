import type { Device, DeviceSetting, SettingKind } from '../house/device';
import type { Step } from '../house/house';
import { devicesOf } from '../house/protocol';
import { problem, type CodeAbout } from '../problem/problem';
import { workedZones } from '../zone/workedZones';
import { answerWords, canStop, HIGHEST_SCORE, RESPONSES, type Question } from '../house/question';
import { holdMinutes } from '../house/technique';
import { waysOf } from '../protocol/deciding';
import { resolvedSettings } from '../protocol/deviceSettings';
import { chosenOf } from '../zone/pickZones';
import { leavesOf, type LeafZone, type ZoneId } from '../zone/zones';
import { zoneName } from '../zone/zoneNames';
import { materialsOfStep } from '../care/traits';
import type { Finding, ReviewedProtocol } from './finding';

/**
 * What a step says of itself that cannot be: an endpoint beyond its cap, a device set beyond the
 * limits of the house or where it is never used, zones named twice, a material off the shelf.
 */
export function settingFaults({ written, worked, shelf, index }: ReviewedProtocol): Finding[] {
  return [
    ...written.steps.flatMap((step) => {
      const where = { protocolId: worked.id, stepId: step.id };
      const say: Say = (weight, code, message, field) => ({
        weight,
        ...problem(code, message, { ...where, field }),
      });
      return [
        ...once(
          waysOf(step).flatMap((way) => [
            ...endpointFaults(way, say),
            ...heldFaults(way, say),
            ...momentFaults(way, say),
            ...zoneFaults(way, say),
            ...deviceFaults(way, index.devices, say),
          ]),
        ),
        ...holdingFaults(step, say),
        ...(step.asks ?? [])
          .flatMap(questionFaults)
          .map((message) => say('prompt', 'question-open', message, 'asks')),
        ...materialsOfStep(step, shelf)
          .filter((material) => material.archivedOn !== undefined)
          .map((material) =>
            say(
              'prompt',
              'material-archived',
              `${material.name} is off the shelf since ${material.archivedOn ?? ''}: choose what takes its place.`,
              'doses',
            ),
          ),
      ];
    }),
    ...written.layerGroups.flatMap(({ id, asks = [] }) =>
      asks.flatMap((question) =>
        questionFaults(question).map((message): Finding => ({
          weight: 'prompt',
          code: 'layer-question-open',
          message,
          where: { protocolId: worked.id, layerGroupId: id, field: 'asks' },
        })),
      ),
    ),
  ];
}

/** What is found in several ways of a step is said once. */
function once(found: readonly Finding[]): Finding[] {
  return [...new Map(found.map((each) => [each.message, each])).values()];
}

type Say = (
  weight: Finding['weight'],
  code: CodeAbout<'protocolId' | 'stepId' | 'field'>,
  message: string,
  field: string,
) => Finding;

function holdingFaults({ name, stretch, holdsMinutes }: Step, say: Say): Finding[] {
  return holdsMinutes === undefined || stretch === 'set-up'
    ? []
    : [
        say(
          'prompt',
          'holds-outside-set-up',
          `“${name}” says how long it holds for later visits. Only set-up does: what is done with the guest is done anew.`,
          'holdsMinutes',
        ),
      ];
}

function endpointFaults({ name, until, minutes, capMinutes }: Step, say: Say): Finding[] {
  if (until === undefined) return [];
  if (capMinutes === undefined) {
    return [
      say(
        'fault',
        'endpoint-uncapped',
        `“${name}” waits until ${until}: say how long at most.`,
        'capMinutes',
      ),
    ];
  }
  return minutes.most > capMinutes
    ? [
        say(
          'fault',
          'cap-passed',
          `“${name}” is waited for at most ${capMinutes} min, so it cannot take ${minutes.most}.`,
          'minutes',
        ),
      ]
    : [];
}

/** What a question leaves open: a score that never stops, what is milder at more. */
function questionFaults(question: Question): string[] {
  const { ask, answer, reactions } = question;
  const named = ask === '' ? answerWords(answer) : ask;
  const rising = reactions
    .filter(({ from }) => from !== undefined)
    .toSorted((a, b) => (a.from ?? 0) - (b.from ?? 0));
  const order = Object.keys(RESPONSES);
  const isMilder = rising.some(
    ({ response }, at) =>
      order.indexOf(response) < order.indexOf(rising[at - 1]?.response ?? 'go-on'),
  );
  return [
    ...(answer.kind === 'score' && !canStop(question)
      ? [`“${named}” is asked from 0 to ${HIGHEST_SCORE}, and no answer stops or takes it off.`]
      : []),
    ...(isMilder && answer.kind !== 'number'
      ? [`At more of “${named}” something milder is done than at less.`]
      : []),
    ...reactions
      .filter(({ response, atMostMinutes }) => response === 'wait' && atMostMinutes === undefined)
      .map(() => `“${named}” is waited out: say for how long at most.`),
  ];
}

function momentFaults({ name, moments = [], minutes }: Step, say: Say): Finding[] {
  return moments
    .filter(({ atMinute }) => atMinute > minutes.most)
    .map(({ atMinute, what }) =>
      say(
        'prompt',
        'moment-too-late',
        `“${what}” comes at minute ${atMinute} of “${name}”, which is over after ${minutes.most}.`,
        'moments',
      ),
    );
}

/** What is held and counted cannot take longer than the step. */
function heldFaults({ name, technique, minutes }: Step, say: Say): Finding[] {
  const held = technique?.hold && holdMinutes(technique.hold);
  return held !== undefined && held > minutes.most
    ? [
        say(
          'prompt',
          'holds-too-long',
          `What is held in “${name}” takes ${Math.round(held * 10) / 10} min, and the step ${minutes.most}.`,
          'minutes',
        ),
      ]
    : [];
}

function zoneFaults(
  { name, zones, never = [], lightly = [], more = [], last = [] }: Step,
  say: Say,
): Finding[] {
  const twice = overlap(zones);
  const kept = workedZones({ zones, never });
  const forbidden = zones.filter((zone) => meeting([zone], kept).length === 0);
  const outside = [
    ...notWorked(lightly, zones, 'goes lightly on'),
    ...notWorked(more, zones, 'takes more on'),
    ...notWorked(last, zones, 'ends with'),
  ];
  return [
    ...(twice
      ? [
          say(
            'prompt',
            'zone-named-twice',
            chosenOf([twice[0]], twice[1]) === 'all'
              ? `“${name}” names ${zoneName(twice[1])} twice: it lies within ${zoneName(twice[0])}, and is covered once.`
              : `“${name}” names ${zoneName(twice[0])} and ${zoneName(twice[1])}, which share skin: it is covered once.`,
            'zones',
          ),
        ]
      : []),
    ...forbidden.map((zone) =>
      say(
        'fault',
        'zone-forbidden',
        `“${name}” is done on ${zoneName(zone)}, and says never to do so.`,
        'zones',
      ),
    ),
    ...outside.map((words) =>
      say('prompt', 'zone-not-worked', `“${name}” ${words}, but is not done there.`, 'zones'),
    ),
  ];
}

function notWorked(some: readonly ZoneId[], worked: readonly ZoneId[], how: string): string[] {
  return some
    .filter((zone) => meeting([zone], worked).length === 0)
    .map((zone) => `${how} ${zoneName(zone)}`);
}

function deviceFaults(
  step: Step,
  devices: ReviewedProtocol['index']['devices'],
  say: Say,
): Finding[] {
  const unknown = devicesOf(step).filter((id) => !devices.has(id));
  const device = step.device && devices.get(step.device.deviceId);
  return [
    ...unknown.map(() =>
      say(
        'fault',
        'device-unknown',
        `“${step.name}” works with a device that is no longer in the house.`,
        'device',
      ),
    ),
    ...(device
      ? [
          ...forbiddenIn(workedZones(step), device.neverZones).map(({ zone, never }) =>
            say(
              'fault',
              'device-zone',
              never.includes(zone)
                ? `${device.name} is never used on ${zoneName(zone)} in this house.`
                : `${device.name} is never used on ${never.map(zoneName).join(', ')} in this house: leave that out of ${zoneName(zone)}.`,
              'zones',
            ),
          ),
          ...settingLimits(step, device, say),
        ]
      : []),
    ...(step.runningAt ?? []).flatMap(({ deviceId, values }) => {
      const along = devices.get(deviceId);
      if (!along || !step.running?.includes(deviceId)) return [];
      const set = values.map(({ kind, value, upTo = value }) => ({ kind, low: value, high: upTo }));
      return valueLimits(set, along, along.name, say);
    }),
  ];
}

function settingLimits(step: Step, device: Device, say: Say): Finding[] {
  return resolvedSettings(step.device?.settings ?? []).flatMap(({ zones, values, fault }) => {
    const where = zones.map(zoneName).join(', ');
    const open = fault
      ? [
          say(
            'fault',
            'device-share-open',
            fault === 'circle'
              ? `${device.name}, ${where}: a share of what other zones have goes round in a circle. Say a number somewhere.`
              : `${device.name}, ${where}: nothing is set on the zones of which it is a share.`,
            'device',
          ),
        ]
      : [];
    return [...open, ...valueLimits(values, device, `${device.name}, ${where}`, say)];
  });
}

/** What is set beyond what the house goes to, or cannot be set at all. */
function valueLimits(
  values: readonly { readonly kind: SettingKind; readonly low: number; readonly high: number }[],
  device: Device,
  where: string,
  say: Say,
): Finding[] {
  return values.flatMap(({ kind, low, high }) => {
    const limit = device.settings.find((setting) => setting.kind === kind);
    if (!limit) {
      const what = kind.replaceAll('-', ' ');
      return [
        say('fault', 'device-setting-unknown', `${where}: there is no ${what} to set.`, 'device'),
      ];
    }
    const beyond = low < limit.least ? low : high > limit.most ? high : undefined;
    return beyond === undefined
      ? []
      : [say('fault', 'device-limit', `${where}: ${limitWords(limit)}, not ${beyond}.`, 'device')];
  });
}

function limitWords({ kind, unit, least, most }: DeviceSetting): string {
  return `${kind.replaceAll('-', ' ')} goes from ${least} to ${most} ${unit}`.trim();
}

/** The zones of `some` that share skin with `others`. */
export function meeting(some: readonly ZoneId[], others: readonly ZoneId[]): ZoneId[] {
  const leaves = new Set<LeafZone>(others.flatMap(leavesOf));
  return some.filter((zone) => leavesOf(zone).some((leaf) => leaves.has(leaf)));
}

/** The zones of `worked` on which a device is never used, with what of them it is. */
function forbiddenIn(
  worked: readonly ZoneId[],
  neverZones: readonly ZoneId[],
): readonly { readonly zone: ZoneId; readonly never: readonly ZoneId[] }[] {
  return meeting(worked, neverZones).map((zone) => {
    const leaves = leavesOf(zone);
    const never = neverZones.filter((each) => leavesOf(each).some((leaf) => leaves.includes(leaf)));
    /* All of it, said in one word or in several. */
    const all = leaves.every((leaf) => never.some((each) => leavesOf(each).includes(leaf)));
    return { zone, never: all ? [zone] : never };
  });
}

/** Two of the zones that share skin: the one that lies within the other second. */
function overlap(zones: readonly ZoneId[]): [ZoneId, ZoneId] | undefined {
  for (const [at, zone] of zones.entries()) {
    const other = zones.find((each, nth) => nth > at && chosenOf([zone], each) !== 'none');
    if (other) return chosenOf([other], zone) === 'all' ? [other, zone] : [zone, other];
  }
  return undefined;
}
