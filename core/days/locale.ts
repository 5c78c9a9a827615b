/**
 * Whether a text is a language tag that numbers and dates can be written by (BCP 47).
 * @example isLocale('es-ES') // true
 */
export function isLocale(text: string): boolean {
  try {
    return Intl.getCanonicalLocales(text)[0] === text;
  } catch {
    return false;
  }
}
