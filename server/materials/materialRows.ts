import type {
  BoughtMaterial,
  Keeps,
  LinenMaterial,
  Material,
  MaterialKind,
  Pack,
} from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type {
  Calibrated,
  CoatWeight,
  Measures,
  NamedAmount,
} from '@bienestar/core/quantity/measures';
import type { BaseUnit } from '@bienestar/core/quantity/unit';
import { fromJson, orNull, present } from '../db/optional';
import type { Kept } from '../db/tables';

/** A material as a row; what its kind does not have is null. */
export interface MaterialRow extends Kept {
  readonly id: string;
  readonly name: string;
  readonly kind: MaterialKind;
  readonly unit: BaseUnit;
  readonly preferredPackId: string | null;
  readonly density: number | null;
  readonly densitySpread: number | null;
  readonly handlingLoss: number | null;
  readonly mlPerPump: number | null;
  readonly mlPerPumpSpread: number | null;
  readonly dropsPerMl: number | null;
  readonly dropsPerMlSpread: number | null;
  readonly mlPerDropper: number | null;
  readonly mlPerDropperSpread: number | null;
  readonly mlPerSpray: number | null;
  readonly mlPerSpraySpread: number | null;
  readonly mlPerSpatula: number | null;
  readonly mlPerSpatulaSpread: number | null;
  readonly countedPer: 'client' | 'person' | null;
  readonly glovesKind: 'plain' | 'sterile' | null;
  readonly glovesPerPair: 1 | 2 | null;
  readonly sterility: 'sterile' | 'clean' | null;
  readonly yieldPerPiece: number | null;
  readonly yieldSpread: number | null;
  readonly keepsAmount: number | null;
  readonly keepsUnit: Keeps['unit'] | null;
  readonly openLifeAmount: number | null;
  readonly openLifeUnit: Keeps['unit'] | null;
  readonly retailPriceMinor: number | null;
  readonly washMinor: number | null;
  readonly replacementMinor: number | null;
  readonly washesInLife: number | null;
  readonly care: NonNullable<Material['care']> | string | null;
  readonly archivedOn: string | null;
  readonly keptAt: string | null;
  readonly sealedDays: number | null;
  readonly restock: NonNullable<BoughtMaterial['restock']> | string | null;
  readonly linenLoop: NonNullable<LinenMaterial['loop']> | string | null;
}

/** A pack as a row. */
export interface PackRow {
  readonly materialId: string;
  readonly id: string;
  readonly position: number;
  readonly supplierId: string;
  readonly code: string | null;
  readonly containers: number;
  readonly content: number;
  readonly priceMinor: number;
  readonly discount: number;
  readonly freightMinor: number;
  readonly unrecoveredTaxMinor: number;
  readonly residual: number;
  readonly breaks: NonNullable<Pack['breaks']> | string | null;
  readonly tareG: number | null;
  readonly leastPacks: number | null;
  readonly leadTimeDays: number | null;
  readonly leadTimeSdDays: number | null;
}

/** An amount with a name as a row. */
export interface NamedAmountRow {
  readonly materialId: string;
  readonly position: number;
  readonly name: string;
  readonly amount: number;
  readonly spread: number | null;
  readonly unit: 'ml' | 'g';
}

/** A coat weight as a row. */
export interface CoatRow {
  readonly materialId: string;
  readonly position: number;
  readonly name: string;
  readonly weight: number;
  readonly spread: number | null;
}

/** The row of a material. */
export function materialRow(material: Material): Omit<MaterialRow, 'version' | 'ordinal'> {
  const { measures } = material;
  const bought = material.kind === 'linen' ? undefined : material;
  const laundry = material.kind === 'linen' ? material.laundry : undefined;
  const wants = <K extends MaterialKind>(kind: K): Extract<Material, { kind: K }> | undefined =>
    material.kind === kind ? (material as Extract<Material, { kind: K }>) : undefined;
  const openLife = (wants('back-bar') ?? wants('fresh'))?.openLife;
  const fresh = wants('fresh');
  return {
    id: material.id,
    name: material.name,
    kind: material.kind,
    unit: material.unit,
    preferredPackId: orNull(bought?.preferredPackId),
    density: orNull(measures.density),
    densitySpread: orNull(measures.densitySpread),
    handlingLoss: orNull(measures.handlingLoss),
    mlPerPump: orNull(measures.mlPerPump?.usual),
    mlPerPumpSpread: orNull(measures.mlPerPump?.spread),
    dropsPerMl: orNull(measures.dropsPerMl?.usual),
    dropsPerMlSpread: orNull(measures.dropsPerMl?.spread),
    mlPerDropper: orNull(measures.mlPerDropper?.usual),
    mlPerDropperSpread: orNull(measures.mlPerDropper?.spread),
    mlPerSpray: orNull(measures.mlPerSpray?.usual),
    mlPerSpraySpread: orNull(measures.mlPerSpray?.spread),
    mlPerSpatula: orNull(measures.mlPerSpatula?.usual),
    mlPerSpatulaSpread: orNull(measures.mlPerSpatula?.spread),
    countedPer: orNull(wants('consumable')?.countedPer),
    glovesKind: orNull(wants('consumable')?.gloves?.kind),
    glovesPerPair: orNull(wants('consumable')?.gloves?.perPair),
    sterility: orNull(wants('device-part')?.sterility),
    yieldPerPiece: orNull(fresh?.yieldPerPiece.usual),
    yieldSpread: orNull(fresh?.yieldPerPiece.spread),
    keepsAmount: orNull(fresh?.keeps.amount),
    keepsUnit: orNull(fresh?.keeps.unit),
    openLifeAmount: orNull(openLife?.amount),
    openLifeUnit: orNull(openLife?.unit),
    retailPriceMinor: orNull(wants('retail')?.retailPriceMinor),
    washMinor: orNull(laundry?.washMinor),
    replacementMinor: orNull(laundry?.replacementMinor),
    washesInLife: orNull(laundry?.washesInLife),
    care: orNull(material.care),
    archivedOn: orNull(material.archivedOn),
    keptAt: orNull(material.keptAt),
    sealedDays: orNull(bought?.sealedDays),
    restock: orNull(bought?.restock),
    linenLoop: orNull(wants('linen')?.loop),
  };
}

/** The rows of the packs of a material, in their order. */
export function packRows(material: Material): PackRow[] {
  if (material.kind === 'linen') return [];
  return material.packs.map((pack, position) => ({
    ...pack,
    materialId: material.id,
    position,
    code: orNull(pack.code),
    breaks: orNull(pack.breaks),
    tareG: orNull(pack.tareG),
    leastPacks: orNull(pack.leastPacks),
    leadTimeDays: orNull(pack.leadTimeDays),
    leadTimeSdDays: orNull(pack.leadTimeSdDays),
  }));
}

/** The rows of the named amounts of a material. */
export function namedRows({ id, measures }: Material): NamedAmountRow[] {
  return (measures.named ?? []).map((named, position) => ({
    materialId: id,
    position,
    name: named.name,
    amount: named.usual,
    spread: orNull(named.spread),
    unit: named.unit,
  }));
}

/** The rows of the coat weights of a material. */
export function coatRows({ id, measures }: Material): CoatRow[] {
  return (measures.coats ?? []).map(({ name, usual, spread }, position) => ({
    materialId: id,
    position,
    name,
    weight: usual,
    spread: orNull(spread),
  }));
}

/** The material of a row and of the rows that belong to it. */
export function materialOf(
  row: MaterialRow,
  packs: readonly PackRow[],
  named: readonly NamedAmountRow[],
  coats: readonly CoatRow[],
): Material {
  const shared = {
    id: asId<Material['id']>(row.id),
    name: row.name,
    measures: measuresOf(row, named, coats),
    ...present({
      care: row.care === null ? null : fromJson(row.care),
      archivedOn: row.archivedOn,
      keptAt: row.keptAt,
    }),
  };
  if (row.kind === 'linen') {
    return {
      ...shared,
      kind: 'linen',
      unit: row.unit,
      laundry: {
        washMinor: row.washMinor ?? 0,
        replacementMinor: row.replacementMinor ?? 0,
        washesInLife: row.washesInLife ?? 0,
      },
      ...present({ loop: row.linenLoop === null ? null : fromJson(row.linenLoop) }),
    };
  }
  const bought = {
    ...shared,
    unit: row.unit,
    packs: packs.map(packFrom),
    preferredPackId: asId<BoughtMaterial['preferredPackId']>(row.preferredPackId ?? ''),
    ...present({
      sealedDays: row.sealedDays,
      restock: row.restock === null ? null : fromJson(row.restock),
    }),
  };
  const openLife = keepsOf(row.openLifeAmount, row.openLifeUnit);
  switch (row.kind) {
    case 'back-bar':
      return { ...bought, kind: row.kind, ...(openLife && { openLife }) };
    case 'single-dose':
      return { ...bought, kind: row.kind };
    case 'consumable':
      return {
        ...bought,
        kind: row.kind,
        countedPer: row.countedPer ?? 'client',
        ...(row.glovesKind && {
          gloves: { kind: row.glovesKind, perPair: row.glovesPerPair ?? 2 },
        }),
      };
    case 'device-part':
      return { ...bought, kind: row.kind, sterility: row.sterility ?? 'clean' };
    case 'fresh': {
      const keeps = keepsOf(row.keepsAmount, row.keepsUnit);
      const yieldPerPiece = calibrated(row.yieldPerPiece, row.yieldSpread);
      if (!keeps || !openLife || !yieldPerPiece) {
        throw new Error(`Fresh material ${row.id} has no yield or does not say how long it keeps.`);
      }
      return { ...bought, kind: row.kind, yieldPerPiece, keeps, openLife };
    }
    case 'retail':
      return { ...bought, kind: row.kind, ...present({ retailPriceMinor: row.retailPriceMinor }) };
  }
}

function measuresOf(
  row: MaterialRow,
  named: readonly NamedAmountRow[],
  coats: readonly CoatRow[],
): Measures {
  return present({
    density: row.density,
    densitySpread: row.densitySpread,
    mlPerPump: calibrated(row.mlPerPump, row.mlPerPumpSpread),
    dropsPerMl: calibrated(row.dropsPerMl, row.dropsPerMlSpread),
    mlPerDropper: calibrated(row.mlPerDropper, row.mlPerDropperSpread),
    mlPerSpray: calibrated(row.mlPerSpray, row.mlPerSpraySpread),
    mlPerSpatula: calibrated(row.mlPerSpatula, row.mlPerSpatulaSpread),
    named: orNone(
      named.map(({ name, amount, spread, unit }): NamedAmount => ({
        name,
        usual: amount,
        ...present({ spread }),
        unit,
      })),
    ),
    coats: orNone(
      coats.map(({ name, weight, spread }): CoatWeight => ({
        name,
        usual: weight,
        ...present({ spread }),
      })),
    ),
    handlingLoss: row.handlingLoss,
  });
}

function packFrom(row: PackRow): Pack {
  const { materialId: _owner, position: _position, id, supplierId, ...terms } = row;
  const { code, breaks, tareG, leastPacks, leadTimeDays, leadTimeSdDays, ...plain } = terms;
  return {
    id: asId(id),
    supplierId: asId(supplierId),
    ...plain,
    ...present({
      code,
      breaks: breaks === null ? null : fromJson(breaks),
      tareG,
      leastPacks,
      leadTimeDays,
      leadTimeSdDays,
    }),
  };
}

function orNone<T>(list: readonly T[]): readonly T[] | null {
  return list.length > 0 ? list : null;
}

function keepsOf(amount: number | null, unit: Keeps['unit'] | null): Keeps | null {
  return amount === null || unit === null ? null : { amount, unit };
}

function calibrated(usual: number | null, spread: number | null): Calibrated | null {
  return usual === null ? null : { usual, ...present({ spread }) };
}
