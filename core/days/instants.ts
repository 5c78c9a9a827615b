/**
 * An instant to the second, as it is kept and as it stands in the house file.
 * @example toSecond(new Date('2026-11-27T10:15:30.250Z')) // '2026-11-27T10:15:30Z'
 */
export function toSecond(instant: Date | string): string {
  return `${new Date(instant).toISOString().slice(0, 19)}Z`;
}
