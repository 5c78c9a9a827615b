import type { Draw } from '@bienestar/core/draws/drawsOf';
import type { House, LayerGroup } from '@bienestar/core/house/house';
import { protocolCard, type CardStep } from '@bienestar/core/room/protocolCard';
import type { Tray, TrayItem } from '@bienestar/core/room/tray';
import { zoneName } from '@bienestar/core/zone/zones';
import { span } from '../../format/amountWords';
import { amountRange, number } from '../../format/figures';
import {
  lastingWords,
  LEVEL_WORDS,
  removalWords,
  settingWords,
  spoken,
} from '../../format/protocolWords';
import type { RoomWork } from './useRoomWork';

/** A step of the card in words, for the screen, for paper and for a PDF. */
export interface CardLine {
  readonly key: string;
  readonly number: string;
  readonly name: string;
  readonly minutes: string;
  readonly hands: CardStep['step']['hands'];
  readonly meanwhile: boolean;
  readonly inLayers: boolean;
  /** above the first step of layers */
  readonly layers: string | undefined;
  readonly amounts: readonly string[];
  readonly details: readonly string[];
  readonly watch: string | undefined;
  readonly say: string | undefined;
}

export interface CardWords {
  readonly title: string;
  readonly subtitle: string;
  readonly stops: readonly string[];
  readonly cares: readonly string[];
  readonly notice: string | undefined;
  readonly stretches: readonly { readonly name: string; readonly lines: readonly CardLine[] }[];
  readonly before: readonly string[];
  readonly after: readonly string[];
}

const STRETCH_WORDS = { 'set-up': 'Set-up', visit: 'Visit', reset: 'Reset' } as const;

/** The whole card in words. */
export function cardWords(work: RoomWork, forWhom: string): CardWords {
  const { protocol, schedule, draws, cautions, edition } = work;
  const kept = cautions.cautions.filter((caution) => caution.removed === undefined);
  const around = protocol.around;
  return {
    title: protocol.name,
    subtitle: `${edition} · ${forWhom} · room ${number(schedule.room.mean, 0)} min, slot ${number(schedule.slotMinutes, 0)}`,
    stops: kept.filter(({ level }) => level === 'stop').map(({ text }) => text),
    cares: (['refer', 'take-care'] as const).flatMap((level) => {
      const of = kept.filter((caution) => caution.level === level);
      return of.length === 0
        ? []
        : [`${LEVEL_WORDS[level]}: ${of.map(({ text }) => text).join('; ')}.`];
    }),
    notice: cautions.notice,
    stretches: protocolCard(protocol, schedule, draws).map(({ stretch, steps }) => ({
      name: STRETCH_WORDS[stretch],
      lines: steps.map((step) => lineOf(step, work)),
    })),
    before: (around?.before ?? []).map(
      ({ what, from }) => `${what}, from ${lastingWords(from)} before`,
    ),
    after: around
      ? [
          ...(around.takeOff
            ? [
                `Takes off at home: ${around.takeOff.what}, after ${lastingWords(around.takeOff.after)}`,
              ]
            : []),
          ...around.avoid.map(
            ({ what, for: lasting }) => `Avoid ${what} for ${lastingWords(lasting)}`,
          ),
          ...around.expect.map(({ what, when }) => `Expect ${what}: ${when}`),
          ...around.call.map((reason) => `Call if ${reason}`),
          ...(around.spacing
            ? [
                `Next visit no sooner than ${number(around.spacing.leastDays)} days${around.spacing.mostPerYear === undefined ? '' : `, at most ${around.spacing.mostPerYear} a year`}${around.spacing.visits === undefined ? '' : `; a course is ${around.spacing.visits} visits`}${around.spacing.thenEveryDays === undefined ? '' : `, then every ${number(around.spacing.thenEveryDays)} days`}`,
              ]
            : []),
        ]
      : [],
  };
}

function lineOf(
  { step, number: at, draws, layersBegin, inLayers }: CardStep,
  work: RoomWork,
): CardLine {
  const { house } = work;
  const nameOf = (id: string): string | undefined =>
    house.materials.find((each) => each.id === id)?.name;
  const device = step.device && house.devices.find((each) => each.id === step.device?.deviceId);
  const running = (step.running ?? []).flatMap(
    (id) => house.devices.find((each) => each.id === id)?.name ?? [],
  );
  const details = [
    step.zones.map(zoneName).join(', '),
    step.lightly && `lightly on ${step.lightly.map(zoneName).join(', ')}`,
    step.never && `never on ${step.never.map(zoneName).join(', ')}`,
    step.tools && `with ${step.tools.map(spoken).join(', ')}`,
    device && `with ${device.name}`,
    ...(step.device?.settings ?? []).map((setting) =>
      settingWords(
        setting,
        (kind) => device?.settings.find((each) => each.kind === kind)?.unit ?? '',
      ),
    ),
    running.length > 0 && `${running.join(', ')} running`,
    step.until && `until ${step.until}`,
    step.capMinutes !== undefined && `at most ${number(step.capMinutes)} min`,
    step.gloves && `${step.gloves} gloves`,
    step.optional && `if ${step.optional.if === '' ? 'needed' : step.optional.if}`,
    step.covers && 'covered',
    step.removal && `comes off: ${removalWords(step.removal, nameOf)}`,
    step.by === 'assistant' && 'assistant',
  ].filter((each): each is string => typeof each === 'string' && each !== '');
  return {
    key: step.id,
    number: at === undefined ? '' : String(at),
    name: step.name,
    minutes: `${span({ low: step.minutes.least, usual: step.minutes.usual, high: step.minutes.most })} min`,
    hands: step.hands,
    meanwhile: step.meanwhileOf !== undefined,
    inLayers,
    layers: layersBegin && layersWords(layersBegin, work),
    amounts: amountsOf(draws, house),
    details,
    watch: step.watch ?? step.note,
    say: step.say && `“${step.say}”${step.why ? ` (${step.why})` : ''}`,
  };
}

function layersWords(group: LayerGroup, { schedule }: RoomWork): string {
  const layers = new Set(
    schedule.rows.flatMap((row) =>
      row.of.kind === 'between' && row.of.layerGroupId === group.id ? [row.layer] : [],
    ),
  ).size;
  const { between, score, testSpot, halves } = group;
  return [
    `${group.name}: ${layers + 1} times`,
    halves && 'each half of the face for itself',
    testSpot &&
      `first a test spot on ${testSpot.zones.map(zoneName).join(', ')}, wait ${span({ low: testSpot.wait.least, usual: testSpot.wait.usual, high: testSpot.wait.most })} min and watch ${testSpot.watch}`,
    between &&
      `between: wait ${span({ low: between.wait.least, usual: between.wait.usual, high: between.wait.most })} min and ask “${between.question}”`,
    score && `slow down at ${score.slowAt}, stop and remove at ${score.stopAt}`,
  ]
    .filter((each) => typeof each === 'string')
    .join('; ');
}

/** What a step takes each time, mixes by their own name. */
function amountsOf(draws: readonly Draw[], house: House): string[] {
  const seen = new Set<string>();
  return draws.flatMap((draw) => {
    if (draw.mix) {
      if (seen.has(draw.doseId)) return [];
      seen.add(draw.doseId);
      const mix = house.mixes.find((each) => each.id === draw.mix?.mixId);
      return [`${amountRange(draw.mix.needed, mix?.basis ?? 'g')} ${mix?.name ?? 'mix'}`];
    }
    const material = house.materials.find((each) => each.id === draw.materialId);
    return material ? [`${amountRange(draw.resolved.drawn, material.unit)} ${material.name}`] : [];
  });
}

/** A line of the tray in words. */
export interface TrayLine {
  readonly key: string;
  readonly at: string;
  readonly amount: string;
  readonly name: string;
  readonly note: string;
  readonly kind: TrayItem['kind'];
}

/** The tray in words, in the order of need. */
export function trayWords(tray: Tray, house: House): readonly TrayLine[] {
  const nameOf = (id: string): string =>
    house.materials.find((each) => each.id === id)?.name ?? 'something no longer on the shelf';
  const unitOf = (id: string) => house.materials.find((each) => each.id === id)?.unit ?? 'piece';
  return tray.items.map((item, order): TrayLine => {
    const at = item.at < 0 ? 'before' : `min ${number(item.at, 0)}`;
    switch (item.kind) {
      case 'thing':
        return {
          key: item.materialId,
          kind: item.kind,
          at,
          amount: amountRange(item.amount, unitOf(item.materialId)),
          name: nameOf(item.materialId),
          note: [
            item.warmPieces > 0 ? `${number(item.warmPieces)} in the towel warmer` : '',
            [...new Set(item.uses.map((use) => use.stepName))].join(', '),
          ]
            .filter(Boolean)
            .join(' · '),
        };
      case 'mix':
        return {
          key: `${item.mix.id}-${order}`,
          kind: item.kind,
          at,
          amount: amountRange(item.needed, item.mix.basis),
          name: `Mix: ${item.mix.name}`,
          note: [
            item.parts
              .map(
                (part) =>
                  `${amountRange(part.amount, unitOf(part.materialId))} ${nameOf(part.materialId)}`,
              )
              .join(' + '),
            item.mix.standingMinutes > 0
              ? `stands ${number(item.mix.standingMinutes)} min, ready at min ${number(item.readyAt, 0)}`
              : '',
            item.mix.workingLifeMinutes === undefined
              ? ''
              : `use within ${number(item.mix.workingLifeMinutes)} min`,
            item.mix.warm === undefined ? '' : spoken(item.mix.warm),
            item.mix.method ?? '',
            item.shared ? 'one batch for all' : '',
          ]
            .filter(Boolean)
            .join(' · '),
        };
      case 'task':
        return {
          key: `${item.what}-${order}`,
          kind: item.kind,
          at,
          amount: '',
          name: item.what,
          note: '',
        };
    }
  });
}
