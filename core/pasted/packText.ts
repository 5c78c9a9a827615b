import { LIST_UNITS } from '../priceLists/readList';
import type { BaseUnit } from '../quantity/unit';

/** A pack as it is written on a box: so many containers of that content. */
export interface PackText {
  readonly containers: number;
  /** of one container, in `unit` */
  readonly content: number;
  readonly unit: BaseUnit;
}

/** What people write on packs besides the units of price lists. */
const UNITS: Readonly<Record<string, readonly [BaseUnit, number]>> = {
  ...LIST_UNITS,
  dl: ['ml', 100],
  litre: ['ml', 1000],
  litres: ['ml', 1000],
  liter: ['ml', 1000],
  lb: ['g', 453.59237],
  sheets: ['piece', 1],
  pads: ['piece', 1],
  pairs: ['piece', 2],
};
const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const UNIT = Object.keys(UNITS)
  .toSorted((a, b) => b.length - a.length)
  .map((unit) => unit.replace(' ', String.raw`\s*`))
  .join('|');
const CONTAINERS = String.raw`(?:ampoules?|sachets?|vials?|capsules?|bottles?|jars?|tubes?|units?|doses?)`;
const SEVERAL = new RegExp(
  String.raw`^(${NUMBER})\s*(?:${CONTAINERS}\s*)?(?:x|×|\*|of|à)\s*(${NUMBER})\s*(${UNIT})$`,
);
const ONE = new RegExp(String.raw`^(${NUMBER})\s*(${UNIT})$`);
const COUNT = new RegExp(
  String.raw`^(?:(?:box|pack|bag|roll|case|carton)s?\s*(?:of|with|x)\s*)?(\d+)(?:\s*(?:per|a|in a|to a)\s*(?:box|pack|bag|roll|case|carton))?$`,
);
const MEASURE = new RegExp(
  String.raw`(?:^|[\s(,])((?:\d+\s*(?:x|×|\*)\s*)?${NUMBER}\s*(?:${UNIT}))[\s).,]*$`,
);

/**
 * Reads a pack as it is written.
 * @param text such as `500 ml`, `10 x 2 ml`, `1,5 l`, `box of 100`
 * @returns nothing when it says no pack
 * @example packFromText('10 x 2 ml') // { containers: 10, content: 2, unit: 'ml' }
 */
export function packFromText(text: string): PackText | undefined {
  const plain = text.trim().toLowerCase().replaceAll(/\s+/g, ' ').replace(/\.$/, '');
  const several = SEVERAL.exec(plain);
  if (several) return packOf(Number(several[1]), several[2], several[3]);
  const one = ONE.exec(plain);
  if (one) return packOf(1, one[1], one[2]);
  const count = COUNT.exec(plain);
  const pieces = Number(count?.[1] ?? 0);
  return pieces > 0 ? { containers: 1, content: pieces, unit: 'piece' } : undefined;
}

/**
 * Takes the pack off the end of a name, where lists write it there.
 * @example packInName('Aloe gel 500 ml') // { name: 'Aloe gel', pack: { containers: 1, content: 500, unit: 'ml' } }
 */
export function packInName(text: string): { readonly name: string; readonly pack?: PackText } {
  const found = MEASURE.exec(text.toLowerCase());
  const pack = found?.[1] === undefined ? undefined : packFromText(found[1]);
  const name =
    found &&
    text
      .slice(0, found.index)
      .replace(/[\s,(-]+$/, '')
      .trim();
  return pack && name ? { name, pack } : { name: text.trim() };
}

function packOf(
  containers: number,
  content: string | undefined,
  unit: string | undefined,
): PackText | undefined {
  const known =
    UNITS[(unit ?? '').replaceAll(/\s+/g, ' ')] ?? UNITS[(unit ?? '').replace('floz', 'fl oz')];
  const amount = Number((content ?? '').replace(',', '.')) * (known?.[1] ?? 0);
  const isPack = Number.isInteger(containers) && containers > 0 && amount > 0;
  return known && isPack
    ? { containers, content: Number(amount.toPrecision(12)), unit: known[0] }
    : undefined;
}
