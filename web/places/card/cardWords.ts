import { cautionsByTime, type Caution, type CautionTime } from '@bienestar/core/care/cautionsOf';
import type {
  CautionLevel,
  Dose,
  LayerGroup,
  Material,
  Step,
  Writing,
} from '@bienestar/core/house/house';
import {
  cardForEverybody,
  protocolCard,
  type CardStanding,
  type CardStep,
} from '@bienestar/core/room/protocolCard';
import type { MixId } from '@bienestar/core/house/ids';
import { partsOf, sourceName } from '@bienestar/core/house/sources';
import { scaleTriple, type Triple } from '@bienestar/core/quantity/triple';
import { questionWords } from '@bienestar/core/house/question';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import {
  amountWords,
  minutesWords,
  saidAmount,
  span,
  timeWords,
  type SaidAmount,
} from '../../format/amountWords';
import { number } from '../../format/figures';
import { hangingWords, LEVEL_WORDS, spoken } from '../../format/protocolWords';
import { afterWords, beforeWords } from './aroundWords';
import type { RoomWork } from './roomWork';
import { detailsOf, otherLayersWords, otherwiseWords } from './stepDetails';

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
  /** what is asked and what is done at which answer, what happens at which minute */
  readonly asks: readonly string[];
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
  /** what it is to bring about, for whom, and who may do it, as it was written */
  readonly about: readonly string[];
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
  const { protocol, written, schedule, draws, edition, house } = work;
  const cautions = forWhom === undefined ? work.cautionsOfAll : work.cautions;
  const stretches =
    forWhom === undefined
      ? cardForEverybody(written)
      : protocolCard(written, protocol, schedule, draws);
  return {
    title: protocol.name,
    subtitle: `${edition} · ${forWhom ?? 'for everybody'} · room ${number(schedule.room.mean, 0)} min, slot ${number(schedule.slotMinutes, 0)}`,
    about: [
      protocol.goal === undefined ? '' : `Goal: ${protocol.goal}`,
      protocol.meantFor === undefined ? '' : `For: ${protocol.meantFor}`,
      protocol.licence === undefined ? '' : `Who may do it: ${protocol.licence}`,
    ].filter((each) => each !== ''),
    cautions: cautionsByTime(cautions.cautions).map(cautionWords),
    notice: cautions.notice,
    stretches: stretches.map(({ stretch, steps }) => ({
      name: STRETCH_WORDS[stretch],
      lines: steps.map((step) => lineOf(step, work)),
    })),
    before: beforeWords(protocol.around),
    after: afterWords(protocol.around, house.materials),
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
  const offers = (step.offers ?? []).flatMap(
    (id) => house.protocols.find((each) => each.id === id)?.name ?? [],
  );
  const details = [
    ...detailsOf(step, work, contactWords(of, work)),
    step.covers && 'covered',
    step.by === 'assistant' && 'assistant',
    step.holdsMinutes !== undefined && `holds ${timeWords(step.holdsMinutes)}`,
    times > 1 && !inLayers && `${times} times`,
    offers.length > 0 && `may be offered: ${offers.join(', ')}`,
    ...(step.otherwise ?? []).map((each) => otherwiseWords(each, work)),
  ].filter((each) => typeof each === 'string');
  return {
    key: step.id,
    standing,
    number: at === undefined ? '' : String(at),
    name: step.name,
    minutes: minutesWords(step.minutes),
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
    asks: [
      ...(step.moments ?? []).map(({ atMinute, what }) => `at ${timeWords(atMinute)}: ${what}`),
      ...(step.asks ?? []).map(questionWords),
    ],
    watch: step.watch,
    note: step.note,
    say: step.say,
    why: step.why,
  };
}

/** How long it may stay, and where that is counted from the first touch, how long the first and the last zone have it. */
function contactWords({ step }: CardStep, { schedule }: RoomWork): string | undefined {
  if (step.capMinutes === undefined) return undefined;
  const cap = `at most ${timeWords(step.capMinutes)}`;
  if (!step.capSince) return cap;
  const clock = schedule.rows.find((row) => row.of.kind === 'step' && row.of.stepId === step.id)
    ?.contact?.clock;
  const zones =
    clock &&
    ` (first zone ${number(clock.firstZoneMinutes, 1)}, last zone ${number(clock.lastZoneMinutes, 1)} min)`;
  return `${cap} from the first touch${zones ?? ''}`;
}

function minuteWords(minute: number): string {
  return number(minute, 0);
}

/** For whom a step is, or when it is done, where that is not everybody and always. */
function whenWords({ step, standing }: CardStep, { written }: RoomWork): string | undefined {
  const whom = hangingWords(written.choices, step);
  const needed = step.optional && `if ${step.optional.if === '' ? 'needed' : step.optional.if}`;
  const usually =
    step.optional && (step.optional.usually === 'done' ? 'usually done' : 'usually left out');
  const words = [
    whom && `${WHEN_WORDS[standing]}${whom}`,
    needed && `${needed}, ${usually ?? ''}`,
  ].filter((each) => typeof each === 'string');
  return words.length === 0 ? undefined : words.join('; ');
}

const WHEN_WORDS: Readonly<Record<CardStanding, string>> = {
  done: '',
  'if-needed': '',
  'at-the-couch': 'at the couch, ',
  'for-others': 'only for ',
};

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
  /* Of everything the visit takes of it. */
  const bowls = new Set(draws.flatMap(({ mix: of }) => (of?.mixId === id ? [of.made] : [])));
  const scale =
    bowls.size === 0 ? 1 : [...bowls].reduce((sum, { scale: each }) => sum + each.usual, 0);
  const parts = mix.parts.map(({ source, amount, toTexture }) => {
    const name = sourceName(house, source) ?? 'something no longer on the shelf';
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
      mix.standingMinutes > 0 && `stands ${timeWords(mix.standingMinutes)}`,
      mix.workingLifeMinutes !== undefined && `use within ${timeWords(mix.workingLifeMinutes)}`,
      mix.warm && spoken(mix.warm),
    ]
      .filter((each) => typeof each === 'string' && each !== '')
      .join('; '),
  ];
}

function layersWords(group: LayerGroup, { schedule, house, written }: RoomWork): string {
  const layers = new Set(
    schedule.rows.flatMap((row) =>
      row.of.kind === 'between' && row.of.layerGroupId === group.id ? [row.layer] : [],
    ),
  ).size;
  const { between, asks = [], testSpot, halves, otherwise = [] } = group;
  return [
    `${group.name}: ${layers + 1} times`,
    halves && 'each half of the face for itself',
    testSpot &&
      `first a test spot on ${zonesSaid(testSpot.zones, house.settings.ownZones).join(', ')}, ${minutesWords(testSpot.minutes)}, wait ${minutesWords(testSpot.wait)} and watch ${testSpot.watch}`,
    between && `between: wait ${minutesWords(between.wait)}`,
    asks.length > 0 && `after each: ${asks.map(questionWords).join('; ')}`,
    ...otherwise.map((each) => otherLayersWords(each, { written })),
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
    const held =
      draw.part !== undefined && material
        ? partsOf(material).find(({ id }) => id === draw.part)
        : undefined;
    const name = mix?.name ?? held?.name ?? thing.name;
    const unit = mix ? mix.basis : (held?.unit ?? material?.unit ?? 'piece');
    const base = draw.mix ? draw.mix.needed : draw.resolved.drawn;
    const amount =
      !isBesides && dose ? dose.amount : ({ how: 'measured', quantity: base, unit } as const);
    const persons =
      draw.persons === undefined || draw.persons === 1 ? '' : ` for ${draw.persons} people`;
    const option = dose && optionOf(dose, written);
    const facts = mix || !material ? '' : factsOf(material);
    return [
      named(
        saidAmount(amount, name, base, unit),
        `${name}${facts}${persons}${dose ? placeOf(dose) : ''}${option ?? ''}`,
      ),
    ];
  });
}

/** The amounts of a step as they are written, where nobody draws them. */
function saidAmounts({ step }: CardStep, { house, written }: RoomWork): SaidAmount[] {
  return step.doses.flatMap((dose) => {
    const { source } = dose;
    const name = sourceName(house, source);
    if (name === undefined) return [];
    const material =
      source.kind === 'material' && house.materials.find(({ id }) => id === source.materialId);
    const facts = material ? factsOf(material) : '';
    return [
      named(
        { said: amountWords(dose.amount, name) },
        `${name}${facts}${placeOf(dose)}${optionOf(dose, written)}`,
      ),
    ];
  });
}

/** How strong and how acid a material is, where it is said: ", 20%, pH 3.5". */
function factsOf({ name, care }: Material): string {
  const strength = care?.strengthPercent;
  /* Many names say it themselves. */
  const isInName = strength !== undefined && name.replace(/\s/g, '').includes(`${strength}%`);
  const facts = [
    strength === undefined || isInName ? undefined : `${number(strength)}%`,
    care?.ph === undefined ? undefined : `pH ${number(care.ph)}`,
  ].filter((each) => each !== undefined);
  return facts.length === 0 ? '' : `, ${facts.join(', ')}`;
}

/** Where a dose goes that does not go onto the skin, that it is for all layers, or of what is there already. */
function placeOf({ into, over, again }: Dose): string {
  return [
    into === undefined ? '' : `, into the ${into}`,
    over ? ', for all layers together' : '',
    again ? ', the same again' : '',
  ].join('');
}

function optionOf(dose: Dose, { choices }: Writing): string {
  const whom = hangingWords(choices, dose);
  return whom === undefined ? '' : `, ${whom}`;
}

function named({ said, base }: SaidAmount, name: string): SaidAmount {
  return { said: `${said} ${name}`, ...(base !== undefined && { base }) };
}
