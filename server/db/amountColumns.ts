import type { Amount, Source } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { CountedMeasure } from '@bienestar/core/quantity/measures';
import type { Triple } from '@bienestar/core/quantity/triple';
import type { StatedUnit } from '@bienestar/core/quantity/unit';

/** An amount as columns. */
export interface AmountColumns {
  readonly amountHow: Amount['how'];
  readonly amountLow: number | null;
  readonly amountUsual: number | null;
  readonly amountHigh: number | null;
  /** unit, measure or coat, by how */
  readonly amountUnit: string | null;
  readonly amountName: string | null;
}

/** The source of a dose or part as columns. */
export interface SourceColumns {
  readonly materialId: string | null;
  readonly mixId: string | null;
}

/** An amount as the columns of its row. */
export function amountColumns(amount: Amount): AmountColumns {
  const columns = (
    triple: Triple | null,
    unit: string | null = null,
    name: string | null = null,
  ): AmountColumns => ({
    amountHow: amount.how,
    amountLow: triple?.low ?? null,
    amountUsual: triple?.usual ?? null,
    amountHigh: triple?.high ?? null,
    amountUnit: unit,
    amountName: name,
  });
  switch (amount.how) {
    case 'measured':
      return columns(amount.quantity, amount.unit);
    case 'counted':
      return columns(amount.quantity, amount.measure);
    case 'named':
      return columns(amount.quantity, null, amount.name);
    case 'packs':
    case 'fingertip':
      return columns(amount.quantity);
    case 'coat':
      return columns(null, amount.coat);
    case 'coat-weight':
      return columns(amount.mgPerCm2);
  }
}

/** The amount that a row holds. */
export function amountOf(row: AmountColumns): Amount {
  const quantity: Triple = {
    low: row.amountLow ?? 0,
    usual: row.amountUsual ?? 0,
    high: row.amountHigh ?? 0,
  };
  switch (row.amountHow) {
    case 'measured':
      return { how: 'measured', quantity, unit: row.amountUnit as StatedUnit };
    case 'counted':
      return { how: 'counted', quantity, measure: row.amountUnit as CountedMeasure };
    case 'named':
      return { how: 'named', quantity, name: row.amountName ?? '' };
    case 'packs':
      return { how: 'packs', quantity };
    case 'fingertip':
      return { how: 'fingertip', quantity };
    case 'coat':
      return { how: 'coat', coat: row.amountUnit as Extract<Amount, { how: 'coat' }>['coat'] };
    case 'coat-weight':
      return { how: 'coat-weight', mgPerCm2: quantity };
  }
}

/** A source as the columns of its row. */
export function sourceColumns(source: Source): SourceColumns {
  return source.kind === 'material'
    ? { materialId: source.materialId, mixId: null }
    : { materialId: null, mixId: source.mixId };
}

/** The source that a row holds. */
export function sourceOf(row: SourceColumns): Source {
  return row.materialId === null
    ? { kind: 'mix', mixId: asId(row.mixId ?? '') }
    : { kind: 'material', materialId: asId(row.materialId) };
}
