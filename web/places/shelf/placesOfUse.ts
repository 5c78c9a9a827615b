import type { House, Source } from '@bienestar/core/house/house';

/** Somewhere a material or mix is used, with its address. */
export interface PlaceOfUse {
  readonly name: string;
  readonly address: string;
}

/** The protocols and mixes that draw from a material or a mix. */
export function placesOfUse(
  house: House,
  of: { readonly kind: Source['kind']; readonly id: string },
): PlaceOfUse[] {
  const draws = (source: Source): boolean =>
    source.kind === 'material'
      ? of.kind === 'material' && source.materialId === of.id
      : of.kind === 'mix' && source.mixId === of.id;
  return [
    ...house.protocols.flatMap((protocol) => {
      const step = protocol.steps.find((each) => each.doses.some((dose) => draws(dose.source)));
      return step ? [{ name: protocol.name, address: `/protocols/${protocol.id}/${step.id}` }] : [];
    }),
    ...house.mixes
      .filter((mix) => mix.parts.some((part) => draws(part.source)))
      .map((mix) => ({ name: `${mix.name} (mix)`, address: `/shelf/${mix.id}` })),
  ];
}
