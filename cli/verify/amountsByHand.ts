import type { Amount, House, Material, Pack, Step } from '@bienestar/core/house/house';
import { each, giveOrTake, times, type Three } from './three';

const PERCENT: Readonly<Record<string, number>> = {
  'neck-front': 1,
  decollete: 2.5,
  back: 13,
  hands: 5,
  forearms: 6,
  'lower-legs': 14,
};
const FACE: Readonly<Record<string, number>> = {
  forehead: 0.22,
  cheeks: 0.4,
  nose: 0.07,
  perioral: 0.08,
  chin: 0.08,
  jawline: 0.08,
  'eye-contour': 0.07,
};

/** Where a step is worked, the parts of the face one by one. */
export function placesByHand({ zones, never = [] }: Step): ReadonlySet<string> {
  const leaves = (zone: string): string[] => (zone === 'face' ? Object.keys(FACE) : [zone]);
  const left = new Set(never.flatMap(leaves));
  return new Set(zones.flatMap(leaves).filter((leaf) => !left.has(leaf)));
}

function areaCm2(step: Step, { settings }: House): number {
  const worked = placesByHand(step);
  const { heightCm, weightKg } = settings.referenceClient;
  const surface = Math.sqrt((heightCm * weightKg) / 3600) * 10_000;
  let percent = 0;
  for (const leaf of worked)
    percent += leaf in FACE ? 3.5 * (FACE[leaf] ?? 0) : (PERCENT[leaf] ?? 0);
  return (surface * percent) / 100;
}

export interface Thing {
  readonly unit: string;
  readonly measures: Material['measures'];
  readonly content: number | undefined;
}

/** Low, usual and high of an amount, in the unit of what it is drawn from. */
export function amountOf(amount: Amount, thing: Thing, step: Step, house: House): Three {
  const { settings } = house;
  const { measures, unit } = thing;
  const density = measures.density ?? Number.NaN;
  const into = (value: Three, from: string): Three =>
    from === unit ? value : from === 'ml' ? times(value, density) : times(value, 1 / density);
  const three = (of: { low: number; usual: number; high: number }): Three => [
    of.low,
    of.usual,
    of.high,
  ];
  const spoons = settings.spoons === 'us' ? [4.92892159375, 14.78676478125] : [5, 15];
  const coat = (weight: Three): Three => {
    const loss = measures.handlingLoss ?? settings.handlingLoss;
    return into(times(weight, (areaCm2(step, house) / 1000) * (1 + loss)), 'g');
  };
  switch (amount.how) {
    case 'measured': {
      const q = three(amount.quantity);
      const ml: Readonly<Record<string, number>> = {
        ml: 1,
        tsp: spoons[0] ?? 0,
        tbsp: spoons[1] ?? 0,
        'us-fl-oz': 29.5735295625,
      };
      if (amount.unit === 'piece') return q;
      const factor = ml[amount.unit];
      return factor === undefined
        ? into(times(q, amount.unit === 'oz' ? 28.349523125 : 1), 'g')
        : into(times(q, factor), 'ml');
    }
    case 'counted': {
      const q = three(amount.quantity);
      const drops = giveOrTake(measures.dropsPerMl ?? { usual: 20 });
      const of: Readonly<Record<string, Three>> = {
        pump: giveOrTake(measures.mlPerPump ?? { usual: Number.NaN }),
        spray: giveOrTake(measures.mlPerSpray ?? { usual: Number.NaN }),
        dropper: giveOrTake(measures.mlPerDropper ?? { usual: 1 }),
        drop: [1 / drops[2], 1 / drops[1], 1 / drops[0]],
      };
      return into(
        each(q, (value, at) => value * (of[amount.measure]?.[at] ?? Number.NaN)),
        'ml',
      );
    }
    case 'named': {
      const named = measures.named?.find(({ name }) => name === amount.name);
      if (!named) return [Number.NaN, Number.NaN, Number.NaN];
      const one = giveOrTake(named);
      return into(
        each(three(amount.quantity), (value, at) => value * (one[at] ?? 0)),
        named.unit,
      );
    }
    case 'packs':
      return times(three(amount.quantity), thing.content ?? Number.NaN);
    case 'fingertip':
      return into(times(three(amount.quantity), 0.5), 'g');
    case 'coat': {
      const own = measures.coats?.find(({ name }) => name === amount.coat);
      const usual = settings.coatMgPerCm2 as Readonly<Record<string, number>>;
      return coat(own ? giveOrTake(own) : giveOrTake({ usual: usual[amount.coat] ?? Number.NaN }));
    }
    case 'coat-weight':
      return coat(three(amount.mgPerCm2));
    case 'batches':
    case 'all':
    case 'rest':
      return [Number.NaN, Number.NaN, Number.NaN];
  }
}

/** What one container of a material holds in its unit. */
export function contentOf(material: Material): number {
  if (material.kind === 'linen') return Number.NaN;
  const pack = packOf(material);
  return pack.content * (material.kind === 'fresh' ? material.yieldPerPiece.usual : 1);
}

export function packOf(material: Exclude<Material, { kind: 'linen' }>): Pack {
  const pack = material.packs.find(({ id }) => id === material.preferredPackId);
  if (!pack) throw new Error('no pack');
  return pack;
}

export function thingOf(material: Material): Thing {
  const isDose = material.kind === 'single-dose';
  return {
    unit: material.unit,
    measures: material.measures,
    content: isDose ? contentOf(material) : undefined,
  };
}
