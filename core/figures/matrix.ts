import { serviceCost, type MinuteRates } from '../cost/serviceCost';
import type { Draw } from '../draws/draw';
import { drawsOf } from '../draws/drawsOf';
import { clientWith, type Client } from '../house/client';
import type { Choice, House, Step } from '../house/house';
import type { HouseIndex } from '../house/houseIndex';
import type { OptionId } from '../house/ids';
import { fail, ok, type Outcome } from '../problem/problem';
import { optionsTaken } from '../protocol/choose';
import { CHOOSING_VALUES } from '../protocol/choosingValues';
import { expandBlocks, type WrittenOut } from '../protocol/expandBlocks';
import { recipeFor } from '../protocol/workFor';
import { choicesDeciding } from '../protocol/deciding';
import { meanMinutes } from '../time/distribution';
import { clockLoad, type ClockLoad } from '../time/clockLoad';
import { SharedSums } from '../time/sums';
import type { Prices } from './trial';
import { settingsFor, shelfOf, workOf, type EditionInUse } from './serviceWork';

/** What one kind of client comes to. */
export interface KindFigures {
  readonly client: Client;
  readonly fullCost: number;
  readonly roomMinutes: number;
  readonly slotMinutes: number;
}

/** How much a choice moves a protocol: the widest gap between the means of its options. */
export interface Difference {
  readonly name: string;
  readonly cost: number;
  readonly minutes: number;
  /** the options between which the gap in cost lies */
  readonly cheapest: string;
  readonly dearest: string;
}

/** The range of a protocol over everybody who may come. */
export interface Matrix {
  readonly kinds: number;
  readonly cheapest: KindFigures;
  readonly dearest: KindFigures;
  readonly shortest: KindFigures;
  readonly longest: KindFigures;
  /** the weightiest in cost first */
  readonly differences: readonly Difference[];
}

/** What the figures of a kind are made from, besides who it is. */
export interface MatrixInputs extends Prices {
  readonly house: House;
  readonly index: HouseIndex;
  readonly inUse: EditionInUse;
  readonly rates: MinuteRates;
}

/** Beyond so many kinds each thing is varied by itself, around the usual client. */
const MOST_KINDS = 4096;

/** One thing that may differ between clients, and what each of its values makes of a client. */
interface Axis {
  readonly name: string;
  readonly values: readonly { readonly name: string; readonly make: (client: Client) => Client }[];
}

/**
 * The figures of a protocol over all kinds of clients that it tells apart: who costs and takes least
 * and most, and which choice makes the difference. Conditions are counted as none, each by itself and
 * all together.
 * @param onProgress is told the share that is done
 * @returns problems when a kind cannot be counted
 * @see C7 T5
 */
export function matrixOf(
  inputs: MatrixInputs,
  onProgress: (share: number) => void = () => undefined,
): Outcome<Matrix> {
  const { inUse, index } = inputs;
  const written = expandBlocks(inUse.protocol, index.blocks, { protocolId: inUse.protocol.id });
  if (!written.ok) return written;
  const axes = axesOf(written.value, inUse);
  const kinds = kindsOf(axes);
  const worked = new Map<string, Worked>();
  const keys: string[] = [];
  for (const [at, { client }] of kinds.entries()) {
    const key = kindSignature(written.value, inUse, client);
    keys.push(key);
    if (!worked.has(key)) {
      const made = workedFor(inputs, client);
      if (!made.ok) return made;
      worked.set(key, made.value);
    }
    if (at % 64 === 0) onProgress(at / kinds.length / 2);
  }
  const sums = new SharedSums([...worked.values()].map(({ load }) => load.parts));
  const figures = new Map<string, Omit<KindFigures, 'client'>>();
  for (const [at, [key, work]] of [...worked].entries()) {
    const made = figuresOf(inputs, work, sums);
    if (!made.ok) return made;
    figures.set(key, made.value);
    if (at % 64 === 0) onProgress(0.5 + at / worked.size / 2);
  }
  const means = new Map<string, { cost: number; minutes: number; count: number }>();
  const all: KindFigures[] = [];
  for (const [at, { client, values }] of kinds.entries()) {
    const of = figures.get(keys[at] ?? '');
    if (!of) continue;
    all.push({ client, ...of });
    values.forEach((value, axis) => {
      if (value === undefined) return;
      const key = `${axis}/${value}`;
      const mean = means.get(key) ?? { cost: 0, minutes: 0, count: 0 };
      mean.cost += of.fullCost;
      mean.minutes += of.roomMinutes;
      mean.count += 1;
      means.set(key, mean);
    });
  }
  const [first] = all;
  if (!first) return fail('kinds-missing', 'There is nobody to count for.', {});
  const pick = (better: (a: KindFigures, b: KindFigures) => boolean): KindFigures =>
    all.reduce((best, each) => (better(each, best) ? each : best), first);
  return ok({
    kinds: all.length,
    cheapest: pick((a, b) => a.fullCost < b.fullCost),
    dearest: pick((a, b) => a.fullCost > b.fullCost),
    shortest: pick((a, b) => a.roomMinutes < b.roomMinutes),
    longest: pick((a, b) => a.roomMinutes > b.roomMinutes),
    differences: axes
      .map((axis, at) => differenceOf(axis, at, means))
      .filter(({ cost, minutes }) => cost > 1e-9 || minutes > 1e-9)
      .sort((a, b) => b.cost - a.cost),
  });
}

/** A kind of client worked out as far as it can be by itself. */
interface Worked {
  readonly load: ClockLoad;
  readonly draws: readonly Draw[];
}

function workedFor(inputs: MatrixInputs, client: Client): Outcome<Worked> {
  const { house, index, inUse } = inputs;
  const work = workOf(inUse, client, index);
  if (!work.protocol.ok) return work.protocol;
  const settings = settingsFor(house.settings, client);
  const load = clockLoad(work.protocol.value, client.visitKind, settings);
  if (!load.ok) return load;
  const draws = drawsOf(work.protocol.value, client.visitKind, shelfOf(work, index), settings);
  if (!draws.ok) return draws;
  return ok({ load: load.value, draws: draws.value });
}

function figuresOf(
  { house, index, unitCosts, opens, rates }: MatrixInputs,
  { load: { parts, attended, deviceMinutes }, draws }: Worked,
  sums: SharedSums,
): Outcome<Omit<KindFigures, 'client'>> {
  const { slotQuantile, slotGridMinutes, therapistCharge } = house.settings;
  const slotMinutes = sums.slotMinutes(parts, slotQuantile, slotGridMinutes);
  const cost = serviceCost(
    draws,
    { slotMinutes, attended, deviceMinutes },
    index,
    unitCosts,
    rates,
    therapistCharge,
    opens,
  );
  if (!cost.ok) return cost;
  const roomMinutes = parts.reduce((sum, part) => sum + meanMinutes(part), 0);
  return ok({ fullCost: cost.value.full.usual, roomMinutes, slotMinutes });
}

const TRAIT_OF = {
  'skin-type': 'skinType',
  phototype: 'phototype',
  'visit-kind': 'visitKind',
  'course-visit': 'courseVisit',
  'since-last': 'sinceLast',
  'day-time': 'dayTime',
  season: 'season',
} as const;

/** What a protocol looks at in a client: what its choices go by, recipes by skin, layers by visit. */
export function looksOf(written: WrittenOut, { mixes }: EditionInUse): ReadonlySet<Choice['by']> {
  const looks = new Set(choicesDeciding(written).map((choice) => choice.by));
  const recipes = mixes.flatMap((mix) => mix.recipes ?? []);
  if (recipes.some(({ skinTypes }) => skinTypes.length > 0)) looks.add('skin-type');
  if (recipes.some(({ findings = [] }) => findings.length > 0)) looks.add('condition');
  if (written.layerGroups.some(({ layers }) => layers.first !== layers.returning)) {
    looks.add('visit-kind');
  }
  return looks;
}

/** Whether a step spreads a coat, so that the size of the body counts. */
export function spreadsCoats({ steps }: WrittenOut): boolean {
  return steps.some(usesArea);
}

function axesOf(written: WrittenOut, inUse: EditionInUse): readonly Axis[] {
  const used = choicesDeciding(written);
  const looks = looksOf(written, inUse);
  const traits = (Object.keys(TRAIT_OF) as (keyof typeof TRAIT_OF)[])
    .filter((by) => looks.has(by))
    .map((by): Axis => ({
      name: by.replaceAll('-', ' '),
      values: CHOOSING_VALUES[by].map((value) => ({
        name: value,
        make: (client) => ({ ...client, [TRAIT_OF[by]]: value }),
      })),
    }));
  return [
    ...traits,
    ...(looks.has('condition') ? [conditionAxis(used, inUse)] : []),
    ...used.filter((choice) => choice.by === 'couch').map(couchAxis),
    ...written.steps.filter((step) => step.optional !== undefined).map(optionalAxis),
    ...(spreadsCoats(written) ? [BUILD_AXIS] : []),
  ];
}

function conditionAxis(used: readonly Choice[], { mixes }: EditionInUse): Axis {
  const named = [
    ...new Set(
      used
        .filter((choice) => choice.by === 'condition')
        .flatMap((choice) => choice.options.flatMap((option) => option.for))
        .concat(
          mixes.flatMap(({ recipes = [] }) => recipes.flatMap(({ findings = [] }) => findings)),
        ),
    ),
  ] as Client['conditions'][number][];
  const sets: readonly (readonly [string, Client['conditions']])[] = [
    ['nothing seen', []],
    ...named.map((each) => [each.replaceAll('-', ' '), [each]] as const),
    ...(named.length > 1 ? [['all of it', named] as const] : []),
  ];
  return {
    name: 'what is seen',
    values: sets.map(([name, conditions]) => ({
      name,
      make: (client) => ({ ...client, conditions }),
    })),
  };
}

function couchAxis({ id, name, options }: Choice): Axis {
  return {
    name,
    values: options.map((option) => ({
      name: option.name,
      make: (client) => ({ ...client, decided: new Map(client.decided).set(id, option.id) }),
    })),
  };
}

function optionalAxis({ id, name }: Step): Axis {
  return {
    name,
    values: (['done', 'left-out'] as const).map((value) => ({
      name: value === 'done' ? 'done' : 'left out',
      make: (client) => ({ ...client, optional: new Map(client.optional).set(id, value) }),
    })),
  };
}

const BUILD_AXIS: Axis = {
  name: 'build',
  values: (['small', 'reference', 'large'] as const).map((build) => ({
    name: build === 'reference' ? 'usual' : build,
    make: (client) => ({ ...client, build }),
  })),
};

function usesArea({ doses }: Step): boolean {
  return doses.some(({ amount }) => amount.how === 'coat' || amount.how === 'coat-weight');
}

interface Kind {
  readonly client: Client;
  /** the value that was tried on each axis; none where it stands as the usual client decides it */
  readonly values: readonly (number | undefined)[];
}

function kindsOf(axes: readonly Axis[]): readonly Kind[] {
  const many = axes.reduce((product, axis) => product * axis.values.length, 1);
  const start: Kind = { client: clientWith(), values: [] };
  if (many <= MOST_KINDS) {
    return axes.reduce<Kind[]>(
      (kinds, axis) =>
        kinds.flatMap(({ client, values }) =>
          axis.values.map((value, at) => ({
            client: value.make(client),
            values: [...values, at],
          })),
        ),
      [start],
    );
  }
  return axes.flatMap((axis, which) =>
    axis.values.map((value, at) => ({
      client: value.make(start.client),
      values: axes.map((_each, axis) => (axis === which ? at : undefined)),
    })),
  );
}

/** What of a client decides figures: two with the same signature are worked alike. */
export function kindSignature(written: WrittenOut, inUse: EditionInUse, client: Client): string {
  const taken = written.choices.map((choice) => [...optionsTaken(choice, client)].join('+')) as (
    | OptionId
    | string
  )[];
  const optional = written.steps.flatMap((step) =>
    step.optional ? [client.optional.get(step.id) ?? step.optional.usually] : [],
  );
  const recipes = inUse.mixes.map(
    (mix) =>
      mix.recipes && mix.recipes.findIndex(({ parts }) => parts === recipeFor(mix, client).parts),
  );
  return [...taken, ...optional, client.visitKind, client.build, ...recipes].join('|');
}

function differenceOf(
  axis: Axis,
  at: number,
  sums: ReadonlyMap<string, { cost: number; minutes: number; count: number }>,
): Difference {
  const means = axis.values.flatMap(({ name }, value) => {
    const sum = sums.get(`${at}/${value}`);
    return sum ? [{ name, cost: sum.cost / sum.count, minutes: sum.minutes / sum.count }] : [];
  });
  const byCost = means.toSorted((a, b) => a.cost - b.cost);
  const minutes = means.map((mean) => mean.minutes);
  return {
    name: axis.name,
    cost: (byCost.at(-1)?.cost ?? 0) - (byCost[0]?.cost ?? 0),
    minutes: means.length === 0 ? 0 : Math.max(...minutes) - Math.min(...minutes),
    cheapest: byCost[0]?.name ?? '',
    dearest: byCost.at(-1)?.name ?? '',
  };
}
