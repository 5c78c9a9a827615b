/** Parts as one sign has them. */
const SIGNS: Readonly<Record<string, number>> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅕': 1 / 5,
  '⅖': 2 / 5,
  '⅗': 3 / 5,
  '⅘': 4 / 5,
  '⅙': 1 / 6,
  '⅚': 5 / 6,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};
/** Into how many parts people cut a spoon, a pump or a minute. */
const USUAL_PARTS: readonly number[] = [2, 3, 4, 5, 6, 8, 10, 16];

/** A part that one sign says, such as ½. */
export function fractionSign(sign: string): number | undefined {
  return SIGNS[sign];
}

/** Whether two figures with a slash are a part as people say it: 1/2, 3/4, 5/8; not 2/4 and not 5/7. */
export function isUsualFraction(over: number, under: number): boolean {
  return (
    over > 0 && over < under && USUAL_PARTS.includes(under) && commonDivisor(over, under) === 1
  );
}

/**
 * A fraction, with or without something whole before it.
 * @returns nothing for anything else
 * @example
 * fractionOf('1 1/2') // 1.5
 * fractionOf('½') // 0.5
 * fractionOf('2/4') // undefined
 */
export function fractionOf(text: string): number | undefined {
  const [, whole = '0', sign] = /^(?:(\d+) ?)?([¼½¾⅓-⅞])$/u.exec(text) ?? [];
  if (sign !== undefined) {
    const part = SIGNS[sign];
    return part === undefined ? undefined : Number(whole) + part;
  }
  const [, before = '0', over, under] = /^(?:(\d+) )?(\d+) ?[/⁄] ?(\d+)$/u.exec(text) ?? [];
  if (over === undefined || !isUsualFraction(Number(over), Number(under))) return undefined;
  return Number(before) + Number(over) / Number(under);
}

function commonDivisor(a: number, b: number): number {
  return b === 0 ? a : commonDivisor(b, a % b);
}
