import type { MissingMeasure } from '../problem/problem';
import { exactly, withSpread, type Triple } from './triple';
import type { BaseUnit } from './unit';

/** A calibrated figure with its give or take as a share (0.1 is +-10 %). */
export interface Calibrated {
  readonly usual: number;
  readonly spread?: number;
}

/** An amount the house has given a name to: "coin", "almond". */
export interface NamedAmount extends Calibrated {
  readonly name: string;
  readonly unit: 'ml' | 'g';
}

/** What a coat of a material weighs on the skin, mg/cm2. */
export interface CoatWeight extends Calibrated {
  /** thin, standard or generous in the place of the house's, or a name of its own: "mask" */
  readonly name: string;
}

/**
 * How amounts of one material are stated at the trolley.
 * @see Q3
 */
export interface Measures {
  /** g per ml */
  readonly density?: number;
  readonly densitySpread?: number;
  readonly mlPerPump?: Calibrated;
  readonly dropsPerMl?: Calibrated;
  readonly mlPerDropper?: Calibrated;
  readonly mlPerSpray?: Calibrated;
  readonly mlPerSpatula?: Calibrated;
  readonly named?: readonly NamedAmount[];
  readonly coats?: readonly CoatWeight[];
  /** share of a coat that stays on hands and tools; the house setting unless given */
  readonly handlingLoss?: number;
}

export type CountedMeasure = 'pump' | 'drop' | 'dropper' | 'spray' | 'spatula';

/** Drops per ml and ml per dropperful where a material states none. */
export const DEFAULT_DROPS_PER_ML = 20;
export const DEFAULT_ML_PER_DROPPER = 1;

/**
 * The ml that one pump, drop, dropperful, spray or spatula of a material gives, or nothing when it
 * must be calibrated first (a pump, a spray and a spatula have no sensible default).
 * @see Q3
 */
export function mlPerCount(measures: Measures, measure: CountedMeasure): Triple | undefined {
  switch (measure) {
    case 'pump':
      return measures.mlPerPump && calibrated(measures.mlPerPump);
    case 'spray':
      return measures.mlPerSpray && calibrated(measures.mlPerSpray);
    case 'spatula':
      return measures.mlPerSpatula && calibrated(measures.mlPerSpatula);
    case 'dropper':
      return measures.mlPerDropper
        ? calibrated(measures.mlPerDropper)
        : exactly(DEFAULT_ML_PER_DROPPER);
    case 'drop': {
      const drops = calibrated(measures.dropsPerMl ?? { usual: DEFAULT_DROPS_PER_ML });
      return { low: 1 / drops.high, usual: 1 / drops.usual, high: 1 / drops.low };
    }
  }
}

/** What a measure that was missing is answered in. */
export function unitOfMissing(missing: MissingMeasure, unit: BaseUnit): string {
  switch (missing.of) {
    case 'density':
      return 'g/ml';
    case 'count':
      return missing.measure === 'drop' ? 'a ml' : 'ml';
    case 'named':
      return unit === 'g' ? 'g' : 'ml';
    case 'coat':
      return 'mg/cm²';
  }
}

/**
 * The measures of a material with one that was missing.
 * @param value in `unitOfMissing`
 * @param unit the one the material is kept in
 * @example withMissing({}, { of: 'count', measure: 'pump' }, 1.6, 'ml') // { mlPerPump: { usual: 1.6 } }
 * @see Q3
 */
export function withMissing(
  measures: Measures,
  missing: MissingMeasure,
  usual: number,
  unit: BaseUnit,
): Measures {
  switch (missing.of) {
    case 'density':
      return { ...measures, density: usual };
    case 'count':
      return { ...measures, [MEASURE_FIELDS[missing.measure]]: { usual } };
    case 'named': {
      const added = { name: missing.name, usual, unit: unit === 'g' ? 'g' : 'ml' } as const;
      return { ...measures, named: [...(measures.named ?? []), added] };
    }
    case 'coat':
      return { ...measures, coats: [...(measures.coats ?? []), { name: missing.name, usual }] };
  }
}

/** Where the shelf says what one pump, drop, … gives. */
export const MEASURE_FIELDS = {
  pump: 'mlPerPump',
  drop: 'dropsPerMl',
  dropper: 'mlPerDropper',
  spray: 'mlPerSpray',
  spatula: 'mlPerSpatula',
} as const satisfies Record<CountedMeasure, keyof Measures>;

/** The named amount of a material, in the unit the house gave it in. */
export function namedAmount(
  measures: Pick<Measures, 'named'>,
  name: string,
): { readonly amount: Triple; readonly unit: BaseUnit } | undefined {
  const found = measures.named?.find((entry) => entry.name === name);
  return found && { amount: calibrated(found), unit: found.unit };
}

/**
 * The weight of a coat: the material's own, or the house's of that name. mg/cm2.
 * @param house thin, standard and generous of the house
 * @returns nothing for a name that neither knows
 * @see D2
 */
export function coatWeight(
  measures: Measures,
  name: string,
  house: Readonly<Record<string, number>>,
): Triple | undefined {
  const own = measures.coats?.find((coat) => coat.name === name);
  if (own) return calibrated(own);
  const usual = Object.hasOwn(house, name) ? house[name] : undefined;
  return usual === undefined ? undefined : exactly(usual);
}

/** A calibrated figure with its low and high. */
export function calibrated(figure: Calibrated): Triple {
  return withSpread(figure.usual, figure.spread);
}
