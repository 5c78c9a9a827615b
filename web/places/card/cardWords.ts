import { cautionsByTime, type Caution, type CautionTime } from '@bienestar/core/care/cautionsOf';
import type {
  Amount,
  CautionLevel,
  Dose,
  House,
  LayerGroup,
  Step,
  Writing,
} from '@bienestar/core/house/house';
import {
  cardForEverybody,
  protocolCard,
  type CardStanding,
  type CardStep,
} from '@bienestar/core/room/protocolCard';
import type { Tray, TrayItem, TrayThing, TrayUse } from '@bienestar/core/room/tray';
import type { MixId } from '@bienestar/core/house/ids';
import { scaleTriple, sumTriples, type Triple } from '@bienestar/core/quantity/triple';
import { zoneName } from '@bienestar/core/zone/zones';
import {
  amountText,
  amountWords,
  saidAmount,
  span,
  type SaidAmount,
} from '../../format/amountWords';
import { amountRange, number } from '../../format/figures';
import {
  lastingWords,
  LEVEL_WORDS,
  optionWords,
  removalWords,
  settingWords,
  spoken,
} from '../../format/protocolWords';
import type { RoomWork } from './roomWork';

/** A step of the card in words, for the screen, for paper and for a PDF. */
export interface CardLine {
  readonly key: string;
  readonly standing: CardStanding;
  readonly number: string;
  readonly name: string;
  readonly minutes: string;
  /** minute from when the room is taken; nothing for what is not done as a rule */
  readonly roomClock: string | undefined;
  /** minute from when the guest enters */
  readonly guestClock: string | undefined;
  readonly hands: Step['hands'];
  readonly meanwhile: boolean;
  readonly inLayers: boolean;
  /** above the first step of layers */
  readonly layers: string | undefined;
  /** for whom it is, or when it is done, where that is not everybody and always */
  readonly when: string | undefined;
  readonly amounts: readonly SaidAmount[];
  /** what is mixed in it: of what, and how */
  readonly mixes: readonly string[];
  readonly details: readonly string[];
  readonly watch: string | undefined;
  readonly note: string | undefined;
  readonly say: string | undefined;
  readonly why: string | undefined;
}

/** What is to be minded at one time, by how grave it is. */
interface CautionWords {
  readonly time: string;
  readonly stop: string;
  readonly others: string;
}

export interface CardWords {
  readonly title: string;
  readonly subtitle: string;
  /** what is asked, looked for, minded at work and told, the most severe in front */
  readonly cautions: readonly CautionWords[];
  readonly notice: string | undefined;
  readonly stretches: readonly { readonly name: string; readonly lines: readonly CardLine[] }[];
  readonly before: readonly string[];
  readonly after: readonly string[];
}

const STRETCH_WORDS = { 'set-up': 'Set-up', visit: 'Visit', reset: 'Reset' } as const;

/**
 * The whole card in words.
 * @param forWhom one client in words; nothing for the card of everybody, where all branches stand side by side
 */
export function cardWords(work: RoomWork, forWhom: string | undefined): CardWords {
  const { protocol, written, schedule, draws, edition } = work;
  const cautions = forWhom === undefined ? work.cautionsOfAll : work.cautions;
  const stretches =
    forWhom === undefined
      ? cardForEverybody(written)
      : protocolCard(written, protocol, schedule, draws);
  const around = protocol.around;
  return {
    title: protocol.name,
    subtitle: `${edition} · ${forWhom ?? 'for everybody'} · room ${number(schedule.room.mean, 0)} min, slot ${number(schedule.slotMinutes, 0)}`,
    cautions: cautionsByTime(cautions.cautions).map(cautionWords),
    notice: cautions.notice,
    stretches: stretches.map(({ stretch, steps }) => ({
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

const TIME_WORDS: Readonly<Record<CautionTime, string>> = {
  ask: 'Ask',
  look: 'Look',
  do: 'Mind',
  afterwards: 'Tell',
};

function cautionWords({
  time,
  cautions,
}: {
  readonly time: CautionTime;
  readonly cautions: readonly Caution[];
}): CautionWords {
  const said = (level: CautionLevel): string => {
    const of = cautions.filter((each) => each.level === level);
    const allergens = of.flatMap((each) => (each.of.kind === 'allergen' ? [each.of.name] : []));
    return [
      ...of.flatMap((each) => (each.of.kind === 'allergen' ? [] : [each.text])),
      ...(allergens.length > 0 ? [`Allergy to ${allergens.join(', ')}`] : []),
    ].join('; ');
  };
  const others = (['refer', 'take-care'] as const).flatMap((level) =>
    said(level) === '' ? [] : [`${LEVEL_WORDS[level]}: ${said(level)}.`],
  );
  return { time: TIME_WORDS[time], stop: said('stop'), others: others.join(' ') };
}

function lineOf(of: CardStep, work: RoomWork): CardLine {
  const { step, standing, number: at, clock, times, layersBegin, inLayers } = of;
  const { house } = work;
  const nameOf = (id: string): string | undefined =>
    house.materials.find((each) => each.id === id)?.name;
  const device = step.device && house.devices.find((each) => each.id === step.device?.deviceId);
  const running = (step.running ?? []).flatMap(
    (id) => house.devices.find((each) => each.id === id)?.name ?? [],
  );
  const offers = (step.offers ?? []).flatMap(
    (id) => house.protocols.find((each) => each.id === id)?.name ?? [],
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
    step.covers && 'covered',
    step.removal && `comes off: ${removalWords(step.removal, nameOf)}`,
    step.by === 'assistant' && 'assistant',
    times > 1 && !inLayers && `${times} times`,
    offers.length > 0 && `may be offered: ${offers.join(', ')}`,
  ].filter((each): each is string => typeof each === 'string' && each !== '');
  return {
    key: step.id,
    standing,
    number: at === undefined ? '' : String(at),
    name: step.name,
    minutes: `${span({ low: step.minutes.least, usual: step.minutes.usual, high: step.minutes.most })} min`,
    roomClock: clock && minuteWords(clock.room),
    guestClock: clock?.guest === undefined ? undefined : minuteWords(clock.guest),
    hands: step.hands,
    meanwhile: step.meanwhileOf !== undefined,
    inLayers,
    layers: layersBegin && layersWords(layersBegin, work),
    when: whenWords(of, work),
    amounts:
      standing === 'done' && of.draws.length > 0 ? drawnAmounts(of, work) : saidAmounts(of, work),
    mixes: mixesMadeIn(step, work).flatMap((id) => mixWords(id, work)),
    details,
    watch: step.watch,
    note: step.note,
    say: step.say,
    why: step.why,
  };
}

function minuteWords(minute: number): string {
  return number(minute, 0);
}

/** For whom a step is, or when it is done, where that is not everybody and always. */
function whenWords({ step, standing }: CardStep, { written }: RoomWork): string | undefined {
  const choice = written.choices.find(({ id }) => id === step.option?.choiceId);
  const needed = step.optional && `if ${step.optional.if === '' ? 'needed' : step.optional.if}`;
  const usually =
    step.optional && (step.optional.usually === 'done' ? 'usually done' : 'usually left out');
  const words = [
    choice &&
      standing === 'at-the-couch' &&
      `at the couch, ${optionWords(choice, step.option?.optionId)}`,
    choice && standing === 'for-others' && `only for ${optionWords(choice, step.option?.optionId)}`,
    choice && standing === 'done' && optionWords(choice, step.option?.optionId),
    needed && `${needed}, ${usually ?? ''}`,
  ].filter((each) => typeof each === 'string');
  return words.length === 0 ? undefined : words.join('; ');
}

/** The mixes that a step makes, and those it uses that no step makes. */
function mixesMadeIn(step: Step, { written }: RoomWork): readonly MixId[] {
  const made = new Set(written.steps.flatMap(({ makes = [] }) => makes));
  const used = step.doses.flatMap(({ source }) => (source.kind === 'mix' ? [source.mixId] : []));
  return [...new Set([...(step.makes ?? []), ...used.filter((id) => !made.has(id))])];
}

/** As many figures as can be measured out. */
function measurable({ low, usual, high }: Triple): Triple {
  const figures = (value: number): number => Number(value.toPrecision(3));
  return { low: figures(low), usual: figures(usual), high: figures(high) };
}

/** What is mixed in a step: its parts as they are measured for this visit, how, and how long it keeps. */
function mixWords(id: MixId, { house, shelf, draws }: RoomWork): string[] {
  const mix = shelf.mixes.get(id);
  if (!mix) return [];
  const things = [...house.materials, ...house.mixes];
  /* Of everything the visit takes of it. */
  const needs = new Map(
    draws.flatMap(({ mix: of, stepId, doseId, layer = 0, half = '' }) =>
      of?.mixId === id ? [[`${stepId}/${doseId}/${layer}/${half}`, of.scale.usual] as const] : [],
    ),
  );
  const scale = needs.size === 0 ? 1 : [...needs.values()].reduce((sum, each) => sum + each, 0);
  const parts = mix.parts.map(({ source, amount, toTexture }) => {
    const of = source.kind === 'material' ? source.materialId : source.mixId;
    const name = things.find((each) => each.id === of)?.name ?? 'something no longer on the shelf';
    const said =
      amount.how === 'ratio'
        ? `${span(amount.parts)} ${amount.parts.high <= 1 ? 'part' : 'parts'}`
        : amountWords(
            { ...amount, quantity: measurable(scaleTriple(amount.quantity, scale)) },
            name,
          );
    return [`${said} ${name}`, toTexture].filter((each) => each !== undefined).join(' ');
  });
  return [
    [
      `Mix ${mix.name}: ${parts.join(' + ')}`,
      mix.method?.replace(/\.$/u, ''),
      mix.standingMinutes > 0 && `stands ${number(mix.standingMinutes)} min`,
      mix.workingLifeMinutes !== undefined && `use within ${number(mix.workingLifeMinutes)} min`,
      mix.warm && spoken(mix.warm),
    ]
      .filter((each) => typeof each === 'string' && each !== '')
      .join('; '),
  ];
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
      `first a test spot on ${testSpot.zones.map(zoneName).join(', ')}, ${span({ low: testSpot.minutes.least, usual: testSpot.minutes.usual, high: testSpot.minutes.most })} min, wait ${span({ low: testSpot.wait.least, usual: testSpot.wait.usual, high: testSpot.wait.most })} min and watch ${testSpot.watch}`,
    between &&
      `between: wait ${span({ low: between.wait.least, usual: between.wait.usual, high: between.wait.most })} min and ask “${between.question}”`,
    score && `slow down at ${score.slowAt}, stop and remove at ${score.stopAt}`,
  ]
    .filter((each) => typeof each === 'string')
    .join('; ');
}

/** What a step takes each time it is done, as it is said; mixes by their own name. */
function drawnAmounts({ step, draws }: CardStep, { house, written }: RoomWork): SaidAmount[] {
  const seen = new Set<string>();
  return draws.flatMap((draw): SaidAmount[] => {
    const isBesides = draw.for !== undefined;
    if (!isBesides && seen.has(draw.doseId)) return [];
    seen.add(draw.doseId);
    const dose = step.doses.find(({ id }) => id === draw.doseId);
    const mix = draw.mix && house.mixes.find((each) => each.id === draw.mix?.mixId);
    const material = house.materials.find((each) => each.id === draw.materialId);
    const thing = mix ?? material;
    if (!thing) return [];
    const unit = mix ? mix.basis : (material?.unit ?? 'piece');
    const base = draw.mix ? draw.mix.needed : draw.resolved.drawn;
    const amount =
      !isBesides && dose ? dose.amount : ({ how: 'measured', quantity: base, unit } as const);
    const persons =
      draw.persons === undefined || draw.persons === 1 ? '' : ` for ${draw.persons} people`;
    const option = dose?.option && optionOf(dose, written);
    return [
      named(saidAmount(amount, thing.name, base, unit), `${thing.name}${persons}${option ?? ''}`),
    ];
  });
}

/** The amounts of a step as they are written, where nobody draws them. */
function saidAmounts({ step }: CardStep, { house, written }: RoomWork): SaidAmount[] {
  const things = [...house.materials, ...house.mixes];
  return step.doses.flatMap((dose) => {
    const id = dose.source.kind === 'material' ? dose.source.materialId : dose.source.mixId;
    const name = things.find((each) => each.id === id)?.name;
    if (name === undefined) return [];
    return [named({ said: amountWords(dose.amount, name) }, `${name}${optionOf(dose, written)}`)];
  });
}

function optionOf({ option }: Pick<Dose, 'option'>, { choices }: Writing): string {
  const choice = choices.find(({ id }) => id === option?.choiceId);
  return choice ? `, ${optionWords(choice, option?.optionId)}` : '';
}

function named({ said, base }: SaidAmount, name: string): SaidAmount {
  return { said: `${said} ${name}`, ...(base !== undefined && { base }) };
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

/** How much of one thing stands on the tray: as it is said where one step takes it, else the sum. */
function trayAmount({ amount, uses }: TrayThing, name: string, unit: string): string {
  const stated = inOneMeasure(uses.map((use) => use.stated));
  return stated ? amountText(saidAmount(stated, name, amount, unit)) : amountRange(amount, unit);
}

/** Several amounts as one, where all are counted in the same measure: 2–4 pumps and 2 pumps are 4–6 pumps. */
function inOneMeasure(stated: readonly (Amount | undefined)[]): Amount | undefined {
  const [first, ...others] = stated;
  if (!first || others.length === 0) return first;
  if (first.how !== 'counted' && first.how !== 'packs') return undefined;
  const same = others.flatMap((each) =>
    each?.how === first.how &&
    (each.how !== 'counted' || first.how !== 'counted' || each.measure === first.measure)
      ? [each.quantity]
      : [],
  );
  if (same.length < others.length) return undefined;
  return { ...first, quantity: sumTriples([first.quantity, ...same]) };
}

/** The steps that take a thing; what each takes as it is said, where several do. */
function usesWords(uses: readonly TrayUse[], name: string, unit: string): string {
  const times = new Map<string, number>();
  for (const { stepName, stated, amount, persons } of uses) {
    const said = stated ? amountWords(stated, name) : amountRange(amount, unit);
    const people = persons === undefined || persons === 1 ? '' : ` for ${persons} people`;
    const words = uses.length === 1 ? `${stepName}${people}` : `${stepName} ${said}${people}`;
    times.set(words, (times.get(words) ?? 0) + 1);
  }
  return [...times]
    .map(([words, count]) => (count === 1 ? words : `${count} × ${words}`))
    .join(', ');
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
          amount: trayAmount(item, nameOf(item.materialId), unitOf(item.materialId)),
          name: nameOf(item.materialId),
          note: [
            item.warmPieces > 0 ? `${number(item.warmPieces)} in the towel warmer` : '',
            usesWords(item.uses, nameOf(item.materialId), unitOf(item.materialId)),
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
            usesWords(item.uses, item.mix.name, item.mix.basis),
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
