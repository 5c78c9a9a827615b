import { ZONE_MODES, ZONE_MODE_WORDS } from '../house/ways';
import type {
  Amount,
  Dose,
  Otherwise,
  SetValue,
  Source,
  Step,
  Writing,
  ZoneSetting,
} from '../house/house';
import { dosesForOf, joinedOf, type DosesFor, type Joined } from '../protocol/forWhom';
import { otherwiseSaidOf, type SaidOtherwise } from '../protocol/otherwise';
import { layersSaidOf, type LayersSaid } from '../protocol/layersSaid';
import { joinedWords } from './conditions';
import { layersWords } from './layers';
import { techniqueWords } from '../house/technique';
import { gentleHands, sayableName } from './defaults';
import { actionFacts } from '../house/actions';
import { sourceKey } from '../house/sources';
import type { Triple } from '../quantity/triple';
import type { ZoneId } from '../zone/zones';
import { zonesSaid } from '../zone/zonesSaid';
import { questionWritten } from './questions';
import { keyOf, quotedWords } from './tokens';
import { unitWritten, type Vocabulary } from './vocabulary';

const DECIMALS = 6;

/** What a line says of a step that does not stand in the step itself. */
export interface AroundStep {
  readonly beside?: boolean;
  readonly forWhom?: Joined | undefined;
  readonly dosesFor?: DosesFor | undefined;
  readonly layers?: LayersSaid | undefined;
  readonly otherwise?: readonly SaidOtherwise[] | undefined;
}

/** What a line says of a step and its products that stands in the choices and layers of the protocol. */
export function aroundStep(writing: Writing, step: Step): AroundStep {
  return {
    forWhom: joinedOf(writing, step),
    dosesFor: dosesForOf(writing, step),
    layers: layersSaidOf(writing, step.id),
    otherwise: otherwiseSaidOf(writing, step.id),
  };
}

/**
 * A step as the line that says it. Read again, the line gives the step as it was, apart from where it stands
 * and options that no line can say.
 */
export function writeStepLine(
  step: Step,
  words: Vocabulary,
  { beside = false, forWhom, dosesFor, layers, otherwise = [] }: AroundStep = {},
): string {
  const { action, phase, optional, hands, ...says } = step;
  const parts: (string | undefined)[] = [
    beside ? '+' : undefined,
    action,
    step.name === sayableName(action) ? undefined : quotedWords(step.name),
    step.doses.map((dose) => doseWritten(dose, words, dosesFor?.get(dose.id))).join(' and '),
    ...workWritten(says, words),
    hands === gentleHands(action) ? undefined : hands,
    step.by === 'assistant' ? 'by assistant' : undefined,
    step.covers && 'covered',
    ...offWritten(says, words),
    clause('makes', named(words.mixes.all(), step.makes)),
    step.holdsMinutes === undefined ? undefined : `holds ${number(step.holdsMinutes)} min`,
    optional &&
      `if ${optional.if === '' ? 'needed' : quotedWords(optional.if)}${optional.usually === 'done' ? '' : ' usually left out'}`,
    forWhom && joinedWords(forWhom, words.ownZones),
    layers && layersWords(layers, words, minutesWritten),
    step.inLayers && LAYERS[step.inLayers],
    clause('offer', named(words.protocols.all(), step.offers)),
    phase === undefined || (action !== undefined && phase === actionFacts(action).phase)
      ? undefined
      : `phase ${phase.replaceAll('-', ' ')}`,
    ...(step.asks ?? []).map((question) => `ask ${questionWritten(question)}`),
    ...(step.moments ?? []).map(
      ({ atMinute, what }) => `at ${number(atMinute)} min ${quotedWords(what)}`,
    ),
    quotedClause('say', step.say),
    quotedClause('because', step.why),
    quotedClause('watch', step.watch),
    quotedClause('note', step.note),
    ...otherwise.flatMap((each) => otherwiseWritten(each, words)),
  ];
  return together(parts);
}

function together(parts: readonly (string | undefined)[]): string {
  return parts.filter((part) => part !== undefined && part !== '').join(' ');
}

/** `but for sensitive skin 3 min at most 4 min` */
function otherwiseWritten({ for: whom, says, layers }: SaidOtherwise, words: Vocabulary): string {
  return together([
    `but ${joinedWords(whom, words.ownZones)}`,
    ...workWritten(says, words),
    says.hands,
    ...offWritten(says, words),
    layers && layersWords(layers, words, minutesWritten),
  ]);
}

/** Where, how, with what and how long. */
function workWritten(says: Otherwise['says'], words: Vocabulary): (string | undefined)[] {
  const { technique, device, minutes, until, capMinutes, capSince } = says;
  return [
    clause('on', zones(says.zones, words)),
    ...ZONE_MODES.map((mode) => clause(ZONE_MODE_WORDS[mode], zones(says[mode], words))),
    technique && techniqueWords(technique).join(' '),
    clause('with', says.tools?.join(', ')),
    device &&
      `with ${words.devices.all().find(({ value }) => value === device.deviceId)?.name ?? ''}${settings(device.settings, words)}`,
    clause('running', runningWritten(says, words)),
    minutes && minutesWritten(minutes),
    until === undefined ? undefined : `until ${quotedWords(until)}`,
    capMinutes === undefined
      ? undefined
      : `at most ${number(capMinutes)} min${capSince ? ' from first touch' : ''}`,
  ];
}

/** How it comes off, and gloves. */
function offWritten(
  { removal, gloves }: Otherwise['says'],
  words: Vocabulary,
): (string | undefined)[] {
  return [
    removal &&
      together([
        `then ${removal.how.replaceAll('-', ' ')}`,
        removalUse(removal.taking, removal.waterMl, words),
      ]),
    gloves && `${gloves} gloves`,
  ];
}

function doseWritten(dose: Dose, words: Vocabulary, who: Joined | undefined): string {
  const said = [
    dose.opening === 'fresh' ? '' : 'left-over ',
    amountOf(dose, words),
    dose.into === undefined ? '' : ` into ${dose.into}`,
    dose.over === undefined ? '' : ' over all layers',
    dose.again ? ' again' : '',
  ].join('');
  return who ? `${said} (${joinedWords(who, words.ownZones)})` : said;
}

const LAYERS = {
  first: 'in the first layer',
  last: 'in the last layer',
  'all-but-last': 'in all but the last layer',
} as const;

function clause(word: string, rest: string | undefined): string | undefined {
  return rest === undefined || rest === '' ? undefined : `${word} ${rest}`;
}

function quotedClause(word: string, text: string | undefined): string | undefined {
  return text === undefined || text === '' ? undefined : `${word} ${quotedWords(text)}`;
}

function zones(list: readonly ZoneId[] | undefined, { ownZones }: Vocabulary): string {
  return zonesSaid(list ?? [], ownZones).join(', ');
}

function named(
  known: readonly { readonly name: string; readonly value: string }[],
  ids: readonly string[] | undefined,
): string {
  return (ids ?? [])
    .flatMap((id) => known.find(({ value }) => value === id)?.name ?? [])
    .join(', ');
}

function runningWritten(
  { running = [], runningAt = [] }: Otherwise['says'],
  { devices }: Vocabulary,
): string {
  const known = devices.all();
  return running
    .flatMap((id) => {
      const name = known.find(({ value }) => value === id)?.name;
      const values = runningAt.find(({ deviceId }) => deviceId === id)?.values ?? [];
      const set = values.map(setWritten).join(', ');
      return name === undefined ? [] : [set === '' ? name : `${name} (${set})`];
    })
    .join(', ');
}

function setWritten({ kind, value, upTo }: SetValue): string {
  return `${kind.replaceAll('-', ' ')} ${number(value)}${upTo === undefined ? '' : ` to ${number(upTo)}`}`;
}

function settings(list: readonly ZoneSetting[], words: Vocabulary): string {
  if (list.length === 0) return '';
  const each = list.map(({ zones: where, values, passes, share }) => {
    const set = values.map(setWritten);
    if (share) set.push(`${number(share.part)} of ${zones([share.of], words)}`);
    if (passes !== undefined) set.push(`${passes} passes`);
    return `${zones(where, words)}: ${set.join(', ')}`;
  });
  return ` (${each.join('; ')})`;
}

function removalUse(
  taking: NonNullable<Step['removal']>['taking'],
  waterMl: number | undefined,
  words: Vocabulary,
): string | undefined {
  const uses = [
    taking &&
      `${number(taking.pieces)} ${product({ kind: 'material', materialId: taking.materialId }, words)}${taking.again ? ' again' : ''}`,
    waterMl === undefined ? undefined : `${number(waterMl)} ml water`,
  ].filter(Boolean);
  return uses.length === 0 ? undefined : `using ${uses.join(' and ')}`;
}

function amountOf(
  { amount, source }: { readonly amount: Amount; readonly source: Source },
  words: Vocabulary,
): string {
  const of = product(source, words);
  if (amount.how === 'all') return `all of ${of}`;
  if (amount.how === 'rest') return `the rest of ${of}`;
  if (amount.how === 'coat') return `${amount.coat} coat of ${of}`;
  const triple: Triple = amount.how === 'coat-weight' ? amount.mgPerCm2 : amount.quantity;
  const one = triple.high <= 1;
  return `${range(triple.low, triple.usual, triple.high)} ${unitWritten(amount, one)} ${of}`;
}

/** The name of a product; in quotes where a line could take it for something else. */
function product(source: Source, words: Vocabulary): string {
  const name = words.nameOf(source) ?? '';
  const same = words.products.meanings(keyOf(name));
  return same.length > 1 ? `${quotedWords(name)}#${sourceKey(source)}` : quotedIfNeeded(name);
}

function quotedIfNeeded(name: string): string {
  return /^[\p{L}\p{M}' -]+$/u.test(name) ? name : quotedWords(name);
}

function minutesWritten({ least, usual, most }: Step['minutes']): string {
  return `${range(least, usual, most)} min`;
}

function range(low: number, usual: number, high: number): string {
  return low === usual && usual === high ? number(usual) : [low, usual, high].map(number).join('/');
}

/** A number as a line has it; what could be read as a thousand has a figure more. */
function number(value: number): string {
  const plain = String(value);
  if (plain.includes('e')) return value.toFixed(DECIMALS).replace(/\.?0+$/u, '');
  return /^[1-9]\d{0,2}\.\d{3}$/u.test(plain) ? `${plain}0` : plain;
}
