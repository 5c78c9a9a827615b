import { consumptionByMaterial } from '../draws/consumption';
import { drawsOf } from '../draws/drawsOf';
import { kindSignature, looksOf, spreadsCoats } from '../figures/matrix';
import { settingsFor, shelfOf, workOf, type EditionInUse } from '../figures/serviceWork';
import { type Client } from '../house/client';
import { BUILDS, SKIN_TYPES, type Season, type SkinType } from '../house/traits';
import type { ClientMix, House } from '../house/house';
import type { HouseIndex } from '../house/houseIndex';
import type { MaterialId } from '../house/ids';
import { ok, type Outcome } from '../problem/problem';
import { expandBlocks } from '../protocol/expandBlocks';

/** What the visits of one kind take. */
export interface KindOfVisit {
  /** of the visits of the service; all shares sum to 1 */
  readonly share: number;
  /** in the material's unit */
  readonly consumed: ReadonlyMap<MaterialId, number>;
}

/** Whether first and returning clients of a protocol come by the same service. */
export type VisitKinds = 'mixed' | 'as-shown';

/**
 * What visits of a protocol take, by the kinds of clients that it tells apart, each with its share:
 * first or returning, skin type, evening, build. Everything else is as in `usual`.
 * @returns problems of a kind that cannot be worked
 * @see S1
 */
export function kindsOfVisit(
  inUse: EditionInUse,
  usual: Client,
  mix: ClientMix | undefined,
  visitKinds: VisitKinds,
  season: Season,
  house: House,
  index: HouseIndex,
): Outcome<readonly KindOfVisit[]> {
  const written = expandBlocks(inUse.protocol, index.blocks, { protocolId: inUse.protocol.id });
  if (!written.ok) return written;
  const kinds = new Map<string, { readonly client: Client; share: number }>();
  for (const { client, share } of mixOf(usual)) {
    const key = kindSignature(written.value, inUse, client);
    const known = kinds.get(key);
    if (known) known.share += share;
    else kinds.set(key, { client, share });
  }
  const worked: KindOfVisit[] = [];
  for (const { client, share } of kinds.values()) {
    const work = workOf(inUse, client, index);
    if (!work.protocol.ok) return work.protocol;
    const settings = settingsFor(house.settings, client);
    const draws = drawsOf(work.protocol.value, client.visitKind, shelfOf(work, index), settings);
    if (!draws.ok) return draws;
    const consumed = consumptionByMaterial(draws.value);
    worked.push({ share, consumed: new Map([...consumed].map(([id, { usual: of }]) => [id, of])) });
  }
  return ok(worked);

  function mixOf(client: Client): readonly { readonly client: Client; readonly share: number }[] {
    if (!mix || !written.ok) return [{ client, share: 1 }];
    const looks = looksOf(written.value, inUse);
    let all = [{ client: { ...client, season }, share: 1 }];
    const over = (parts: readonly (readonly [Partial<Client>, number])[]): void => {
      all = all.flatMap((each) =>
        parts.flatMap(([traits, part]) =>
          part > 0 ? [{ client: { ...each.client, ...traits }, share: each.share * part }] : [],
        ),
      );
    };
    if (looks.has('visit-kind') && visitKinds === 'mixed') {
      over([
        [{ visitKind: 'first' }, mix.firstVisits],
        [{ visitKind: 'returning' }, 1 - mix.firstVisits],
      ]);
    }
    if (looks.has('day-time')) {
      over([
        [{ dayTime: 'evening' }, mix.evenings],
        [{ dayTime: 'day' }, 1 - mix.evenings],
      ]);
    }
    if (looks.has('skin-type')) {
      over(SKIN_TYPES.map((skinType) => [{ skinType }, mix.skinTypes[skinType]]));
    }
    if (spreadsCoats(written.value)) {
      const { smallBuilds, largeBuilds } = mix;
      const shares = {
        small: smallBuilds,
        large: largeBuilds,
        reference: 1 - smallBuilds - largeBuilds,
      };
      over(BUILDS.map((build) => [{ build }, shares[build]]));
    }
    return all;
  }
}

/** The season of a day, north of the equator. */
export function seasonOf(day: string): Season {
  const month = Number(day.slice(5, 7));
  if (month === 12 || month <= 2) return 'winter';
  if (month <= 5) return 'spring';
  return month <= 8 ? 'summer' : 'autumn';
}

/** Where a house begins that says who comes. */
export const USUAL_CLIENT_MIX: ClientMix = {
  firstVisits: 0.2,
  evenings: 0.3,
  skinTypes: {
    normal: 0.25,
    dry: 0.2,
    oily: 0.1,
    combination: 0.2,
    mature: 0.15,
    sensitive: 0.1,
  },
  smallBuilds: 0.2,
  largeBuilds: 0.2,
};

const KEPT = 1e6;

/** Shares of skin types with one of them another; the others keep their proportions, and all sum to 1. */
export function withSkinShare(
  shares: ClientMix['skinTypes'],
  type: SkinType,
  share: number,
): ClientMix['skinTypes'] {
  const others = SKIN_TYPES.filter((each) => each !== type);
  const rest = others.reduce((sum, each) => sum + shares[each], 0);
  const scaled = others.map((each) => {
    const part = rest > 0 ? shares[each] / rest : 1 / others.length;
    return [each, Math.round((1 - share) * part * KEPT) / KEPT] as const;
  });
  const sum = scaled.reduce((total, [, part]) => total + part, 0);
  const own = Math.round((1 - sum) * KEPT) / KEPT;
  return { ...shares, ...Object.fromEntries(scaled), [type]: own };
}
