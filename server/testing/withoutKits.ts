import type { House } from '@bienestar/core/house/house';

/** A house file without kits and what holds on to them: the columns of earlier versions have no place for them. */
export function withoutKits(text: string): string {
  const house = JSON.parse(text) as House;
  const kits = new Set(
    house.materials.flatMap(({ id, kind }) => (kind === 'kit' ? [id as string] : [])),
  );
  const isKit = (thing: unknown): boolean =>
    typeof thing === 'object' &&
    thing !== null &&
    (('materialId' in thing && kits.has(thing.materialId as string)) ||
      ('id' in thing && kits.has(thing.id as string)) ||
      ('source' in thing && isKit(thing.source)));
  const without = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.filter((each) => !isKit(each)).map(without);
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(Object.entries(value).map(([key, of]) => [key, without(of)]));
  };
  return JSON.stringify(without(house));
}
