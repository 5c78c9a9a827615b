/** What the schema of a house that was put aside is called, after the name of the house's own. */
export const ASIDE = '_aside_';
/** The moment at which it was put aside: milliseconds since 1970 with 36 digits, since names are short. */
export const ASIDE_SUFFIX = /^[0-9a-z]{8}$/;
const DIGITS = 36;

/** A name for the schema of a house that is put aside at a moment. */
export function asideSchema(house: string, at: Date): string {
  return `${house}${ASIDE}${at.getTime().toString(DIGITS)}`;
}

/** The moment at which a house was put aside, by the suffix of its schema. */
export function asideAt(suffix: string): Date {
  return new Date(Number.parseInt(suffix, DIGITS));
}
