import type { House, Source, Writing } from '@bienestar/core/house/house';
import { isStep } from '@bienestar/core/house/protocol';

/** Somewhere a material or mix is used, with its address. */
export interface PlaceOfUse {
  readonly name: string;
  readonly address: string;
}

/** The protocols and mixes that draw from each material and mix, by its id. */
export function placesOfUse(
  house: Pick<House, 'protocols' | 'mixes' | 'blocks'>,
): ReadonlyMap<string, readonly PlaceOfUse[]> {
  const places = new Map<string, PlaceOfUse[]>();
  const note = (source: Source, place: PlaceOfUse): void => {
    const id = source.kind === 'material' ? source.materialId : source.mixId;
    const known = places.get(id);
    if (!known) places.set(id, [place]);
    else if (known.at(-1)?.name !== place.name) known.push(place);
  };
  const noteWriting = (writing: Writing, name: string, base: string): void => {
    for (const step of writing.steps.filter(isStep)) {
      const place = { name, address: `${base}/${step.id}` };
      for (const { source } of step.doses) note(source, place);
      const materialId = step.removal?.taking?.materialId;
      if (materialId !== undefined) note({ kind: 'material', materialId }, place);
    }
  };
  for (const { id, name, ...writing } of house.protocols) {
    noteWriting(writing, name, `/protocols/${id}`);
  }
  for (const { id, name, ...writing } of house.blocks) {
    noteWriting(writing, `${name} (block)`, `/protocols/blocks/${id}`);
  }
  for (const mix of house.mixes) {
    const others = (mix.recipes ?? []).flatMap(({ parts }) => parts);
    for (const { source } of [...mix.parts, ...others]) {
      note(source, { name: `${mix.name} (mix)`, address: `/shelf/${mix.id}` });
    }
  }
  return places;
}
