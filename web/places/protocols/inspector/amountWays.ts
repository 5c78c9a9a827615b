import type { Amount, KitPart, Material } from '@bienestar/core/house/house';
import type { CountedMeasure, NamedAmount } from '@bienestar/core/quantity/measures';
import { exactly, type Triple } from '@bienestar/core/quantity/triple';
import type { StatedUnit } from '@bienestar/core/quantity/unit';
import { coatWords, HOUSE_COATS, MEASURE_WORDS, UNIT_WORDS } from '../../../format/amountWords';

/** A way of stating an amount, by one key: what stands behind the number. */
export interface AmountWay {
  readonly key: string;
  readonly label: string;
}

const LIQUID: readonly StatedUnit[] = ['ml', 'g', 'tsp', 'tbsp', 'us-fl-oz', 'oz'];
const COUNTED: readonly CountedMeasure[] = ['pump', 'drop', 'dropper', 'spray', 'spatula'];

/** What decides how an amount can be stated: a material, or a part of a kit. */
export type Measured = Pick<Material, 'kind' | 'unit' | 'measures'>;

/** A part of the box of a kit as something to measure: like what is opened whole. */
export function measuredPart({ unit, measures }: KitPart): Measured {
  return { kind: 'single-dose', unit, measures };
}

/** The ways in which an amount of a material can be stated; of a mix where there is none. */
export function waysFor(
  material: Measured | undefined,
  vessels: readonly NamedAmount[] = [],
): AmountWay[] {
  if (material?.unit === 'piece') {
    return [
      { key: 'measured:piece', label: 'pieces' },
      ...(material.kind === 'single-dose' ? [{ key: 'packs', label: 'packs' }] : []),
    ];
  }
  const named = [...(material?.measures.named ?? []), ...vessels];
  const own = (material?.measures.coats ?? []).map((coat) => coat.name);
  const coats = [...new Set([...HOUSE_COATS, ...own])];
  return [
    ...(material?.kind === 'single-dose' ? [{ key: 'packs', label: 'packs' }] : []),
    ...(material
      ? COUNTED.map((measure) => ({ key: `counted:${measure}`, label: MEASURE_WORDS[measure][1] }))
      : []),
    ...(material?.kind === 'fresh' ? [{ key: 'measured:piece', label: 'pieces' }] : []),
    ...named.map(({ name }) => ({ key: `named:${name}`, label: `× ${name}` })),
    ...LIQUID.map((unit) => ({ key: `measured:${unit}`, label: UNIT_WORDS[unit][1] })),
    { key: 'fingertip', label: 'fingertip units' },
    ...coats.map((coat) => ({ key: `coat:${coat}`, label: coatWords(coat) })),
    { key: 'coat-weight', label: 'mg/cm² on the zones' },
    ...(material
      ? []
      : [
          { key: 'batches', label: 'batches' },
          { key: 'all', label: 'all of it' },
          { key: 'rest', label: 'the rest of the bowl' },
        ]),
  ];
}

/** The key of the way in which an amount is stated. */
export function wayOf(amount: Amount): string {
  switch (amount.how) {
    case 'measured':
      return `measured:${amount.unit}`;
    case 'counted':
      return `counted:${amount.measure}`;
    case 'named':
      return `named:${amount.name}`;
    case 'coat':
      return `coat:${amount.coat}`;
    case 'packs':
    case 'batches':
    case 'fingertip':
    case 'coat-weight':
    case 'all':
    case 'rest':
      return amount.how;
  }
}

/** The number of an amount, where it has one. */
export function quantityOf(amount: Amount): Triple | undefined {
  if (amount.how === 'coat' || amount.how === 'all' || amount.how === 'rest') return undefined;
  return amount.how === 'coat-weight' ? amount.mgPerCm2 : amount.quantity;
}

/** The same number stated in another way. */
export function restate(amount: Amount, key: string): Amount {
  return stated(key, quantityOf(amount) ?? exactly(1));
}

/** An amount stated in the way of `key`. */
export function stated(key: string, quantity: Triple): Amount {
  const [how, of = ''] = splitOnce(key);
  switch (how) {
    case 'counted':
      return { how, quantity, measure: of as CountedMeasure };
    case 'named':
      return { how, quantity, name: of };
    case 'packs':
    case 'batches':
    case 'fingertip':
      return { how, quantity };
    case 'coat':
      return { how, coat: of };
    case 'all':
    case 'rest':
      return { how };
    case 'coat-weight':
      return { how, mgPerCm2: quantity };
    default:
      return { how: 'measured', quantity, unit: of as StatedUnit };
  }
}

function splitOnce(key: string): [string, string?] {
  const at = key.indexOf(':');
  return at === -1 ? [key] : [key.slice(0, at), key.slice(at + 1)];
}
