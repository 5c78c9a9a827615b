import type { Amount, Coat, Minutes } from '@bienestar/core/house/house';
import type { Triple } from '@bienestar/core/quantity/triple';
import type { StatedUnit } from '@bienestar/core/quantity/unit';
import { number } from './figures';

export const UNIT_WORDS: Record<StatedUnit, readonly [string, string]> = {
  ml: ['ml', 'ml'],
  g: ['g', 'g'],
  piece: ['piece', 'pieces'],
  'us-fl-oz': ['fl oz', 'fl oz'],
  tsp: ['teaspoon', 'teaspoons'],
  tbsp: ['tablespoon', 'tablespoons'],
  oz: ['oz', 'oz'],
};

export const MEASURE_WORDS = {
  pump: ['pump', 'pumps'],
  drop: ['drop', 'drops'],
  dropper: ['dropperful', 'dropperfuls'],
  spray: ['spray', 'sprays'],
  spatula: ['spatula', 'spatulas'],
} as const;

/** How much one of them gives, as the field for it is called. */
export const COUNTED_MEASURE_WORDS = {
  pump: 'ml per pump',
  drop: 'drops per ml',
  dropper: 'ml per dropperful',
  spray: 'ml per spray',
  spatula: 'ml per spatula',
} as const satisfies Record<keyof typeof MEASURE_WORDS, string>;

/** The coats that the house itself has a weight for. */
export const HOUSE_COATS: readonly Coat[] = ['thin', 'standard', 'generous'];

/** A coat as it is said: "thin coat", "mask coat". */
export function coatWords(coat: Coat): string {
  return `${coat} coat`;
}

/** What a single dose comes in, by the name that the house gave it. */
const PACK_NOUNS = ['sachet', 'ampoule', 'capsule', 'sheet', 'vial', 'tablet'] as const;

function packNoun(name: string | undefined): readonly [string, string] {
  const noun = PACK_NOUNS.find((each) => name?.toLowerCase().includes(each)) ?? 'pack';
  return [noun, `${noun}s`];
}

/**
 * An amount as it is said: "2–4 pumps", "1/4 fl oz", "half an ampoule", "1 hazelnut", "standard coat".
 * @param name of the product, by which a pack is a sachet or an ampoule
 */
export function amountWords(amount: Amount, name?: string): string {
  switch (amount.how) {
    case 'measured':
      return amount.unit === 'ml' || amount.unit === 'g'
        ? counted(span(amount.quantity), amount.quantity, UNIT_WORDS[amount.unit])
        : counted(cutUp(amount.quantity), amount.quantity, UNIT_WORDS[amount.unit]);
    case 'counted':
      return counted(cutUp(amount.quantity), amount.quantity, MEASURE_WORDS[amount.measure]);
    case 'named':
      return isOne(amount.quantity) ? amount.name : `${cutUp(amount.quantity)} × ${amount.name}`;
    case 'batches':
      return isOne(amount.quantity)
        ? 'a whole batch'
        : counted(span(amount.quantity), amount.quantity, ['batch', 'batches']);
    case 'packs': {
      const nouns = packNoun(name);
      const { low, high } = amount.quantity;
      return low === high && low === HALF
        ? `half ${/^[aeiou]/u.test(nouns[0]) ? 'an' : 'a'} ${nouns[0]}`
        : counted(cutUp(amount.quantity), amount.quantity, nouns);
    }
    case 'fingertip':
      return counted(span(amount.quantity), amount.quantity, ['fingertip unit', 'fingertip units']);
    case 'coat':
      return coatWords(amount.coat);
    case 'all':
      return 'all of it';
    case 'rest':
      return 'the rest of the bowl';
    case 'coat-weight':
      return `${span(amount.mgPerCm2)} mg/cm²`;
  }
}

/**
 * An amount as it is said, and what that is in the unit of the product behind it: "4 pumps", "3.6 ml".
 * @param base what is drawn, in `unit`
 */
export function saidAmount(
  amount: Amount,
  name: string | undefined,
  base: Triple | undefined,
  unit: string,
): SaidAmount {
  const said = amountWords(amount, name);
  const isBase = amount.how === 'measured' && amount.unit === unit;
  if (!base || isBase) return { said };
  const words = `${baseSpan(base)} ${unit}`;
  return { said, base: amount.how === 'coat' ? `about ${words}` : words };
}

export interface SaidAmount {
  readonly said: string;
  readonly base?: string;
}

/** A line of text for an amount: as it is said, and in the unit of the product behind it. */
export function amountText({ said, base }: SaidAmount): string {
  return base === undefined ? said : `${said} (${base})`;
}

/** "3", or "2–4" where low and high differ. */
export function span({ low, usual, high }: Triple): string {
  return low === high ? uncut(usual) : `${uncut(low)}–${uncut(high)}`;
}

/** A time as it is said, in seconds where it is less than a minute: "3 s", "1.5 min". */
export function timeWords(minutes: number): string {
  return minutesWords({ least: minutes, usual: minutes, most: minutes });
}

/** A time that differs: "2–3 min", "20–40 s", "30 s–2 min". */
export function minutesWords({ least, usual, most }: Minutes): string {
  if (most > 0 && most < 1)
    return `${span({ low: least * 60, usual: usual * 60, high: most * 60 })} s`;
  if (least > 0 && least < 1) return `${timeWords(least)}–${timeWords(most)}`;
  return `${span({ low: least, usual, high: most })} min`;
}

/** A figure in decimals, or as a part where these would cut it: 0.25, but 1/8. */
function uncut(value: number): string {
  const isWhole = Math.abs(value * 100 - Math.round(value * 100)) < SAME;
  return isWhole ? number(value) : partsOf(value);
}

/** The same with parts of one as they are said: "1/4", "1 1/2", "1/8–1/4". */
function cutUp({ low, usual, high }: Triple): string {
  return low === high ? partsOf(usual) : `${partsOf(low)}–${partsOf(high)}`;
}

const HALF = 0.5;
/* Fifths and tenths are said in decimals. */
const SAID_PARTS = [2, 3, 4, 6, 8, 16] as const;
/* What is kept has six decimals: three thirds are 0.999999. */
const SAME = 5e-6;

function partsOf(value: number): string {
  const whole = Math.floor(value + SAME);
  const rest = value - whole;
  if (Math.abs(rest) < SAME) return number(whole);
  const under = SAID_PARTS.find((each) => Math.abs(rest * each - Math.round(rest * each)) < SAME);
  if (under === undefined) return number(value, 3);
  return `${whole === 0 ? '' : `${number(whole)} `}${Math.round(rest * under)}/${under}`;
}

/** Two figures that can be measured out; small ones keep what makes them differ. */
function baseSpan({ low, usual, high }: Triple): string {
  const figure = (value: number): string => number(value, value >= 1 ? 1 : 2);
  return low === high ? figure(usual) : `${figure(low)}–${figure(high)}`;
}

function isOne({ low, high }: Triple): boolean {
  return low === 1 && high === 1;
}

function counted(words: string, quantity: Triple, [one, many]: readonly [string, string]): string {
  return `${words} ${quantity.high <= 1 ? one : many}`;
}
