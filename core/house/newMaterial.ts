import { asId, type MaterialId, type PackId, type SupplierId } from './ids';
import type { Material, MaterialKind } from './house';
import type { Pack } from './material';
import type { BaseUnit } from '../quantity/unit';

/** What a new material must say before anything can be counted with it. */
export interface NewMaterial {
  readonly kind: MaterialKind;
  readonly name: string;
  readonly unit: BaseUnit;
  /** none for linen */
  readonly supplierId: SupplierId | undefined;
  /** of one container; of a fresh piece what it gives */
  readonly content: number;
  readonly containers: number;
  /** of the pack; of linen for a new piece */
  readonly priceMinor: number;
}

const WASHES_IN_LIFE = 100;
const FRESH_KEEPS = { amount: 5, unit: 'days' } as const;
const FRESH_OPEN = { amount: 6, unit: 'hours' } as const;

/**
 * A material of the least that every figure needs; the rest is as houses usually begin.
 * @param newId an id that is not taken, each time
 */
export function newMaterial(
  { kind, name, unit, supplierId, content, containers, priceMinor }: NewMaterial,
  newId: () => string,
): Material {
  const shared = { id: asId<MaterialId>(newId()), name: name.trim(), unit, measures: {} };
  if (kind === 'linen') {
    const laundry = { washMinor: 0, replacementMinor: priceMinor, washesInLife: WASHES_IN_LIFE };
    return { ...shared, kind, laundry };
  }
  const pack: Pack = {
    id: asId<PackId>(newId()),
    supplierId: supplierId ?? asId(''),
    containers,
    content: kind === 'fresh' ? 1 : content,
    priceMinor,
    discount: 0,
    freightMinor: 0,
    unrecoveredTaxMinor: 0,
    residual: 0,
  };
  const bought = { ...shared, packs: [pack], preferredPackId: pack.id };
  switch (kind) {
    case 'back-bar':
    case 'single-dose':
    case 'retail':
      return { ...bought, kind };
    case 'consumable':
      return { ...bought, kind, countedPer: 'client' };
    case 'kit':
      return { ...bought, kind, unit: 'piece', parts: [], leftOver: 'lost' };
    case 'device-part':
      return { ...bought, kind, sterility: 'sterile' };
    case 'fresh':
      return {
        ...bought,
        kind,
        yieldPerPiece: { usual: content },
        keeps: FRESH_KEEPS,
        openLife: FRESH_OPEN,
      };
  }
}
