import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { Minutes, House, Line, Step } from '@bienestar/core/house/house';
import { isStep } from '@bienestar/core/house/protocol';
import { detachBlock } from '@bienestar/core/protocol/severalSteps';
import { leavesOf, mapLeaves, type Leaf } from '@bienestar/core/testing/leaves';

/*
 * What must hold whatever a house is: another house is made of it, and what the figures of both must have to do with
 * one another is known without working out either.
 */

/** Figures by the id of their service and what they are. */
type Flat = ReadonlyMap<string, number>;

function flat(house: House): Flat {
  const found = new Map<string, number>();
  for (const [id, of] of createCalculator()(house).services) {
    const say = (what: string, figure: number): void => void found.set(`${id} ${what}`, figure);
    if (of.consumption.ok) {
      for (const [material, { low, usual, high }] of of.consumption.value) {
        say(`${material} low`, low);
        say(`${material} usual`, usual);
        say(`${material} high`, high);
      }
    }
    if (of.schedule.ok) {
      say('slot', of.schedule.value.slotMinutes);
      say('room mean', of.schedule.value.room.mean);
      say('therapist', of.schedule.value.attended.therapist);
      say('assistant', of.schedule.value.attended.assistant);
    }
    if (of.cost.ok) {
      const { lines: _, deviceLines: __, ...parts } = of.cost.value;
      for (const [part, figure] of Object.entries(parts)) say(`${part} (money)`, figure.usual);
    }
    if (of.price.ok) {
      const { gross, contribution, floorGross, margin } = of.price.value;
      say('gross (money)', gross);
      say('contribution (money)', contribution);
      say('floor (money)', floorGross);
      say('margin', margin);
    }
  }
  return found;
}

interface Law {
  readonly name: string;
  /** another house, or nothing where the law has nothing to hold for */
  readonly made: (house: House) => House | undefined;
  /** the house that it is compared with; the one it was made of unless given */
  readonly beside?: (house: House) => House;
  readonly keyOf?: (key: string) => string;
  readonly holds: (key: string, before: number, after: number) => boolean;
}

const near = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-6 + Math.abs(a) * 1e-9;
const same: Law['holds'] = (_key, before, after) => near(before, after);
const FACTOR = 7;

function eachLeaf(house: House, isMeant: (leaf: Leaf) => boolean, make: (leaf: Leaf) => unknown) {
  return mapLeaves(house, (leaf) => (isMeant(leaf) ? make(leaf) : leaf.value));
}

function keyOf({ path }: Leaf): string {
  return path.findLast((part) => typeof part === 'string') ?? '';
}

const isMoney = (leaf: Leaf): boolean =>
  keyOf(leaf).endsWith('Minor') || leaf.path.includes('neighbourhood');

function eachLine(house: House, make: (line: Line) => readonly Line[]): House {
  return {
    ...house,
    protocols: house.protocols.map((one) => ({ ...one, steps: one.steps.flatMap(make) })),
  };
}

const ML: Readonly<Record<string, readonly [number, 'ml' | 'g']>> = {
  'us-fl-oz': [29.5735295625, 'ml'],
  oz: [28.349523125, 'g'],
};

/** A step as two of half its minutes, the second without what it takes. */
function halved(step: Step, isHost: boolean): readonly Line[] {
  const isPlain = step.stretch === 'visit' && step.layerGroupId === undefined && !isHost;
  /* Work beside an option that is not taken moves to another step of it, which may be a half. */
  const moves = step.option !== undefined;
  if (!isPlain || moves || step.meanwhileOf !== undefined || step.makes) return [step];
  const halfOf = (of: Minutes): Minutes => ({
    least: of.least / 2,
    usual: of.usual / 2,
    most: of.most / 2,
  });
  const otherwise = step.otherwise?.map(({ says, ...each }) => ({
    ...each,
    says: { ...says, ...(says.minutes && { minutes: halfOf(says.minutes) }) },
  }));
  const half = { ...step, minutes: halfOf(step.minutes), ...(otherwise && { otherwise }) };
  const { removal: _, ...rest } = half;
  return [half, { ...rest, id: `${step.id}-second` as Step['id'], doses: [] }];
}

/* Bowls that last: where they end, later steps may happen to share them better. */
const withoutExpired = (house: House): House => ({
  ...house,
  mixes: house.mixes.map(({ workingLifeMinutes: _, ...mix }) => mix),
  settings: { ...house.settings, withoutExpired: true, priceEndings: exactPrices },
});
const exactPrices = { everyMinor: 100, endingsMinor: [0], rounding: 'up' } as const;

const notLess: Law['holds'] = (key, before, after) =>
  !/slot|room mean|full|direct|floor/.test(key) || after >= before - 1e-6;

/** One more of it, wherever it stands. */
function more(name: string, isMeant: (leaf: Leaf) => boolean, by: number): Law {
  return {
    name,
    beside: withoutExpired,
    made: (house) => eachLeaf(withoutExpired(house), isMeant, ({ value }) => Number(value) * by),
    holds: notLess,
  };
}

const inSteps = ({ path }: Leaf): boolean => path.includes('steps');

const LAWS: readonly Law[] = [
  {
    name: 'all money times seven is all money figures times seven',
    made: (house) => eachLeaf(house, isMoney, ({ value }) => Number(value) * FACTOR),
    holds: (key, before, after) => near(before * (key.includes('(money)') ? FACTOR : 1), after),
  },
  {
    name: 'the order of what a house has does not matter',
    made: (house) => ({
      ...house,
      materials: house.materials.toReversed(),
      mixes: house.mixes.toReversed(),
      devices: house.devices.toReversed(),
      people: house.people.toReversed(),
      blocks: house.blocks.toReversed(),
      protocols: house.protocols.toReversed(),
      services: house.services.toReversed(),
      demand: house.demand.toReversed(),
    }),
    holds: same,
  },
  {
    name: 'names do not matter',
    made: (house) =>
      eachLeaf(
        house,
        (leaf) =>
          keyOf(leaf) === 'name' &&
          !leaf.path.includes('measures') &&
          !leaf.path.includes('amount'),
        ({ value }) => `${String(value)} by another name`,
      ),
    holds: same,
  },
  {
    name: 'ids do not matter',
    made: (house) => {
      const ids = new Set(
        leavesOf(house).flatMap((leaf) => (keyOf(leaf) === 'id' ? [leaf.value] : [])),
      );
      return eachLeaf(
        house,
        ({ value }) => ids.has(value),
        ({ value }) => `other.${String(value)}`,
      );
    },
    keyOf: (key) => key.replaceAll('other.', ''),
    holds: same,
  },
  {
    name: 'the unit in which an amount is said does not matter',
    made: (house) =>
      eachLine(house, (line) => [
        isStep(line)
          ? {
              ...line,
              doses: line.doses.map((dose) => {
                const { amount } = dose;
                const [by, unit] = (amount.how === 'measured' && ML[amount.unit]) || [];
                if (amount.how !== 'measured' || !by || !unit) return dose;
                const { low, usual, high } = amount.quantity;
                const quantity = { low: low * by, usual: usual * by, high: high * by };
                return { ...dose, amount: { ...amount, quantity, unit } };
              }),
            }
          : line,
      ]),
    holds: same,
  },
  {
    name: 'a step of half its minutes twice is the step',
    beside: (house) => attended(house),
    made: (house) => {
      const hosts = new Set(
        house.protocols.flatMap(({ steps }) =>
          steps.flatMap((line) => (isStep(line) ? [line.meanwhileOf] : [])),
        ),
      );
      return eachLine(attended(house), (line) =>
        isStep(line) ? halved(line, hosts.has(line.id)) : [line],
      );
    },
    /* The minutes of two halves vary less than those of one step. */
    holds: (key, before, after) =>
      /slot|room \(|full|gross|contribution|margin/.test(key) || near(before, after),
  },
  {
    name: 'a block is its steps',
    made: (house) => {
      const blocks = new Map(house.blocks.map((block) => [block.id, block]));
      let made = 0;
      return {
        ...house,
        protocols: house.protocols.map((protocol) =>
          protocol.steps
            .filter((line) => !isStep(line))
            .reduce(
              (so, { id }) => detachBlock(so, id, blocks, () => `written-out-${(made += 1)}`),
              protocol,
            ),
        ),
      };
    },
    holds: same,
  },
  {
    name: 'what is published is what was written',
    made: (house) => ({
      ...house,
      editions: house.protocols.map((protocol) => ({
        protocolId: protocol.id,
        number: 1,
        publishedAt: '2026-01-05T09:00:00Z',
        note: '',
        protocol,
        mixes: house.mixes,
      })),
      services: house.services.map((service) => ({ ...service, edition: 1 })),
    }),
    holds: same,
  },
  more('what is bought dearer costs no visit less', (leaf) => keyOf(leaf) === 'priceMinor', 1.3),
  more('higher pay costs no visit less', (leaf) => keyOf(leaf).endsWith('PayMinor'), 1.3),
  more(
    'more minutes cost no visit less',
    (leaf) =>
      inSteps(leaf) && /^(least|usual|most)$/.test(keyOf(leaf)) && leaf.path.includes('minutes'),
    1.2,
  ),
  more(
    'larger amounts cost no visit less',
    (leaf) =>
      inSteps(leaf) &&
      leaf.path.includes('doses') &&
      /^(low|usual|high)$/.test(keyOf(leaf)) &&
      leaf.path.includes('quantity'),
    1.3,
  ),
];

function attended(house: House): House {
  return { ...house, settings: { ...house.settings, therapistCharge: 'attended' } };
}

/** What a house's figures break of the laws, and how many figures were looked at. */
export function lawsBrokenBy(house: House): {
  readonly figures: number;
  readonly broken: string[];
} {
  let figures = 0;
  const broken: string[] = [];
  for (const {
    name,
    made,
    beside = (asItIs: House) => asItIs,
    keyOf: back = (key: string) => key,
    holds,
  } of LAWS) {
    const other = made(house);
    if (!other) continue;
    const before = flat(beside(house));
    const after = new Map([...flat(other)].map(([key, value]) => [back(key), value]));
    for (const key of new Set([...before.keys(), ...after.keys()])) {
      figures += 1;
      const [was, is] = [before.get(key) ?? Number.NaN, after.get(key) ?? Number.NaN];
      if (!holds(key, was, is)) broken.push(`${name}: ${key} ${was}, then ${is}`);
    }
  }
  return { figures, broken };
}
