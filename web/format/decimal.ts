/**
 * Reads a number as people type it: decimal comma or point, spaces or the other mark between
 * thousands ("1 234,5", "1.234,5", "1,234.5"). A single mark is the decimal mark.
 * @returns nothing for what is not a number
 */
export function parseDecimal(text: string): number | undefined {
  const bare = text.replaceAll(/[\s\u00a0\u202f']/g, '').replace('−', '-');
  if (!/^-?[\d.,]*\d[\d.,]*$/.test(bare)) return undefined;
  const decimalMark = bare.lastIndexOf(',') > bare.lastIndexOf('.') ? ',' : '.';
  const groupMark = decimalMark === ',' ? '.' : ',';
  const parts = bare.replaceAll(groupMark, '').split(decimalMark);
  const digits = parts.length <= 2 ? parts.join('.') : parts.join('');
  const number = Number(digits);
  return Number.isFinite(number) ? number : undefined;
}

/** Reads minutes as they are said: "75", "7,5" or "1:15". */
export function parseMinutes(text: string): number | undefined {
  const clock = /^\s*(\d{1,2}):([0-5]\d)\s*$/.exec(text);
  return clock ? Number(clock[1]) * 60 + Number(clock[2]) : parseDecimal(text);
}
