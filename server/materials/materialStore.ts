import type { Sequelize } from 'sequelize';
import type { Material, MaterialKind, Pack } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { Calibrated, Measures, NamedAmount } from '@bienestar/core/quantity/measures';
import type { BaseUnit } from '@bienestar/core/quantity/unit';
import { childrenIn, storeOf, type Store } from '../aggregates/store';
import { drawnBy } from '../aggregates/users';
import { orNull, present } from '../db/optional';
import { table, type Kept } from '../db/tables';

interface MaterialRow extends Kept {
  readonly id: string;
  readonly name: string;
  readonly kind: MaterialKind;
  readonly unit: BaseUnit;
  readonly supplierId: string | null;
  readonly density: number | null;
  readonly handlingLoss: number | null;
  readonly mlPerPump: number | null;
  readonly mlPerPumpSpread: number | null;
  readonly dropsPerMl: number | null;
  readonly dropsPerMlSpread: number | null;
  readonly mlPerDropper: number | null;
  readonly mlPerDropperSpread: number | null;
  readonly mlPerSpray: number | null;
  readonly mlPerSpraySpread: number | null;
  readonly washMinor: number | null;
  readonly replacementMinor: number | null;
  readonly washesInLife: number | null;
}

interface PackRow extends Pack {
  readonly materialId: string;
}

interface NamedAmountRow {
  readonly materialId: string;
  readonly position: number;
  readonly name: string;
  readonly amount: number;
  readonly spread: number | null;
  readonly unit: 'ml' | 'g';
}

/** Materials with their packs and measures in the database. */
export function materialStore(sequelize: Sequelize): Store<Material> {
  return storeOf<Material, MaterialRow>({
    table: table(sequelize, 'materials'),
    key: 'id',
    keyOf: (material) => material.id,
    toRow: materialRow,
    fromRow: (row, [packs, named]) =>
      materialOf(row, packs?.[0] as PackRow | undefined, (named ?? []) as NamedAmountRow[]),
    children: [
      childrenIn<Material, PackRow>(table(sequelize, 'packs'), 'materialId', [], (material) =>
        material.kind === 'linen' ? [] : [{ materialId: material.id, ...material.pack }],
      ),
      childrenIn<Material, NamedAmountRow>(
        table(sequelize, 'named_amounts'),
        'materialId',
        ['position'],
        namedRows,
      ),
    ],
    usedBy: drawnBy(sequelize, 'material_id'),
  });
}

function materialRow(material: Material): Omit<MaterialRow, 'version' | 'ordinal'> {
  const { measures } = material;
  const laundry = material.kind === 'linen' ? material.laundry : undefined;
  return {
    id: material.id,
    name: material.name,
    kind: material.kind,
    unit: material.unit,
    supplierId: material.kind === 'linen' ? null : material.supplierId,
    density: orNull(measures.density),
    handlingLoss: orNull(measures.handlingLoss),
    mlPerPump: orNull(measures.mlPerPump?.usual),
    mlPerPumpSpread: orNull(measures.mlPerPump?.spread),
    dropsPerMl: orNull(measures.dropsPerMl?.usual),
    dropsPerMlSpread: orNull(measures.dropsPerMl?.spread),
    mlPerDropper: orNull(measures.mlPerDropper?.usual),
    mlPerDropperSpread: orNull(measures.mlPerDropper?.spread),
    mlPerSpray: orNull(measures.mlPerSpray?.usual),
    mlPerSpraySpread: orNull(measures.mlPerSpray?.spread),
    washMinor: orNull(laundry?.washMinor),
    replacementMinor: orNull(laundry?.replacementMinor),
    washesInLife: orNull(laundry?.washesInLife),
  };
}

function namedRows({ id, measures }: Material): NamedAmountRow[] {
  return (measures.named ?? []).map((named, position) => ({
    materialId: id,
    position,
    name: named.name,
    amount: named.usual,
    spread: orNull(named.spread),
    unit: named.unit,
  }));
}

function materialOf(
  row: MaterialRow,
  packRow: PackRow | undefined,
  namedOf: readonly NamedAmountRow[],
): Material {
  const named = namedOf.map(({ name, amount, spread, unit }): NamedAmount => ({
    name,
    usual: amount,
    ...present({ spread }),
    unit,
  }));
  const measures: Measures = present({
    density: row.density,
    mlPerPump: calibrated(row.mlPerPump, row.mlPerPumpSpread),
    dropsPerMl: calibrated(row.dropsPerMl, row.dropsPerMlSpread),
    mlPerDropper: calibrated(row.mlPerDropper, row.mlPerDropperSpread),
    mlPerSpray: calibrated(row.mlPerSpray, row.mlPerSpraySpread),
    named: named.length > 0 ? named : null,
    handlingLoss: row.handlingLoss,
  });
  const shared = { id: asId<Material['id']>(row.id), name: row.name, measures };
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
    };
  }
  if (!packRow) throw new Error(`Material ${row.id} has no pack.`);
  const { materialId: _owner, ...pack } = packRow;
  return {
    ...shared,
    kind: row.kind,
    unit: row.unit,
    supplierId: asId(row.supplierId ?? ''),
    pack,
  };
}

function calibrated(usual: number | null, spread: number | null): Calibrated | null {
  return usual === null ? null : { usual, ...present({ spread }) };
}
