import type { Amount, Material, Mix } from '../house/house';
import { preferredPack } from '../house/packs';
import type { KitPartId, MaterialId, MixId } from '../house/ids';
import { fail, ok, type Outcome, type Where } from '../problem/problem';
import type { HouseSettings } from '../house/settings';
import { convertUnit } from '../quantity/density';
import { GRAMS_PER_FINGERTIP_UNIT } from '../quantity/fingertip';
import {
  calibrated,
  coatWeight,
  mlPerCount,
  namedAmount,
  type Measures,
} from '../quantity/measures';
import { isOrdered, multiplyTriples, scaleTriple, type Triple } from '../quantity/triple';
import { unitFactor, type BaseUnit } from '../quantity/unit';
import { zoneAreaCm2, type BodySettings } from './zoneArea';
import { type ZoneId } from '../zone/zones';

/** The settings that decide how much an amount is. */
export type DoseSettings = BodySettings &
  Pick<HouseSettings, 'spoons' | 'handlingLoss' | 'coatMgPerCm2' | 'vessels'>;

/** What an amount is drawn from: a material, or a mix in its basis. */
export interface Drawable {
  /** so that a problem says of what it is */
  readonly id: { readonly materialId: MaterialId } | { readonly mixId: MixId };
  readonly name: string;
  readonly unit: BaseUnit;
  readonly measures: Measures;
  /** of one container, where it is opened whole */
  readonly packContent?: number;
  /** what one piece gives, in its unit, where it comes by the piece */
  readonly perPiece?: Triple;
  /** of a mix, what a batch gives */
  readonly batchYield?: number;
}

/** An amount in the unit its source is kept in. */
export interface ResolvedAmount {
  /** taken from the container */
  readonly drawn: Triple;
  /** what reaches the skin, where the amount is a coat: g, with the area it covers */
  readonly coat?: {
    readonly onSkinG: Triple;
    readonly areaCm2: number;
    readonly mgPerCm2: Triple;
    readonly handlingLoss: number;
  };
}

/**
 * A material as something to draw from.
 * @param part of a kit
 */
export function drawableMaterial(material: Material, part?: KitPartId): Drawable {
  const held = material.kind === 'kit' && material.parts.find(({ id }) => id === part);
  if (held) {
    const { name, unit, measures, amount } = held;
    return { id: { materialId: material.id }, name, unit, measures, packContent: amount };
  }
  return {
    id: { materialId: material.id },
    name: material.name,
    unit: material.unit,
    measures: material.measures,
    packContent: material.kind === 'single-dose' ? preferredPack(material).content : undefined,
    perPiece: material.kind === 'fresh' ? calibrated(material.yieldPerPiece) : undefined,
  };
}

/**
 * A mix as something to draw from.
 * @param batchYield where it is known
 */
export function drawableMix(mix: Mix, batchYield?: number): Drawable {
  return {
    ...(batchYield !== undefined && { batchYield }),
    id: { mixId: mix.id },
    name: mix.name,
    unit: mix.basis,
    measures: { density: mix.density },
  };
}

/**
 * An amount as stated, in base units of its source, with its low and high.
 * Measured, counted, named, single-dose and fingertip amounts are as dispensed; a coat is area x
 * coat weight / 1000 on the skin, and (1 + handling loss) times that drawn.
 * @param amount as it is said in the treatment room
 * @param zones where it goes; asked for by coats
 * @param source what it is drawn from
 * @returns the amount drawn in `source.unit`; a problem for amounts that are not above zero or out
 *   of order, a missing measure or density, or a coat without zones
 * @see D1 D2 Q1 Q2 Q3 Q4 Q5
 */
export function resolveAmount(
  amount: Amount,
  zones: readonly ZoneId[],
  source: Drawable,
  settings: DoseSettings,
  where: Where,
): Outcome<ResolvedAmount> {
  const at: Where = { ...where, ...source.id, field: 'amount' };
  if (amount.how === 'all' || amount.how === 'rest') {
    return fail(
      'amount-invalid',
      `${source.name} is not mixed in a bowl, so that nobody knows what all of it is: say how much.`,
      at,
    );
  }
  if (amount.how !== 'coat') {
    const stated = amount.how === 'coat-weight' ? amount.mgPerCm2 : amount.quantity;
    if (!isOrdered(stated) || stated.usual <= 0) {
      return fail(
        'amount-invalid',
        `The amount of ${source.name} must be above 0, with low, usual and high in order.`,
        at,
      );
    }
  }
  switch (amount.how) {
    case 'measured': {
      if (amount.unit === 'piece' && source.perPiece)
        return ok({ drawn: multiplyTriples(amount.quantity, source.perPiece) });
      const { unit, factor } = unitFactor(amount.unit, settings.spoons);
      return dispensed(scaleTriple(amount.quantity, factor), unit, source, at);
    }
    case 'counted': {
      const each = mlPerCount(source.measures, amount.measure);
      if (!each) {
        return fail(
          'measure-missing',
          `${source.name} is counted by the ${amount.measure}: say how many ml one ${amount.measure} gives.`,
          { ...at, missing: { of: 'count', measure: amount.measure } },
        );
      }
      return dispensed(multiplyTriples(amount.quantity, each), 'ml', source, at);
    }
    case 'named': {
      const each =
        namedAmount(source.measures, amount.name) ??
        namedAmount({ named: settings.vessels }, amount.name);
      if (!each) {
        return fail(
          'named-amount-missing',
          `${source.name} has no amount named “${amount.name}”: say how much it is.`,
          { ...at, missing: { of: 'named', name: amount.name } },
        );
      }
      return dispensed(multiplyTriples(amount.quantity, each.amount), each.unit, source, at);
    }
    case 'batches':
      return source.batchYield === undefined
        ? fail('amount-invalid', `${source.name} is not mixed, so it has no batches.`, at)
        : ok({ drawn: scaleTriple(amount.quantity, source.batchYield) });
    case 'packs':
      if (source.packContent === undefined) {
        return fail(
          'single-dose-needed',
          `${source.name} is not a single dose, so it cannot be counted in packs.`,
          at,
        );
      }
      return ok({ drawn: scaleTriple(amount.quantity, source.packContent) });
    case 'fingertip':
      return dispensed(scaleTriple(amount.quantity, GRAMS_PER_FINGERTIP_UNIT), 'g', source, at);
    case 'coat': {
      const weight = coatWeight(source.measures, amount.coat, settings.coatMgPerCm2);
      if (!weight) {
        return fail(
          'coat-missing',
          `${source.name} has no coat named “${amount.coat}”: say what it weighs.`,
          { ...at, missing: { of: 'coat', name: amount.coat } },
        );
      }
      return coat(weight, zones, source, settings, at);
    }
    case 'coat-weight':
      return coat(amount.mgPerCm2, zones, source, settings, at);
  }
}

function dispensed(
  amount: Triple,
  unit: BaseUnit,
  source: Drawable,
  where: Where,
): Outcome<ResolvedAmount> {
  const drawn = inUnitOf(amount, unit, source, where);
  return drawn.ok ? ok({ drawn: drawn.value }) : drawn;
}

function coat(
  mgPerCm2: Triple,
  zones: readonly ZoneId[],
  source: Drawable,
  settings: DoseSettings,
  where: Where,
): Outcome<ResolvedAmount> {
  if (zones.length === 0) {
    return fail(
      'zones-missing',
      `A coat of ${source.name} needs the zones it covers, such as the face.`,
      { ...where, field: 'zones' },
    );
  }
  const areaCm2 = zoneAreaCm2(zones, settings);
  const onSkinG = scaleTriple(mgPerCm2, areaCm2 / 1000);
  const handlingLoss = source.measures.handlingLoss ?? settings.handlingLoss;
  const drawn = inUnitOf(scaleTriple(onSkinG, 1 + handlingLoss), 'g', source, where);
  return drawn.ok
    ? ok({ drawn: drawn.value, coat: { onSkinG, areaCm2, mgPerCm2, handlingLoss } })
    : drawn;
}

function inUnitOf(amount: Triple, unit: BaseUnit, source: Drawable, where: Where): Outcome<Triple> {
  const { density, densitySpread } = source.measures;
  const thing = { name: source.name, density, densitySpread };
  return convertUnit(amount, unit, source.unit, thing, { ...where, ...source.id });
}
