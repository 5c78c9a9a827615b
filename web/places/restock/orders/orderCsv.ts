import Papa from 'papaparse';
import { LIKE_A_FORMULA } from '@bienestar/contract/csv';
import { minorPerMajor } from '@bienestar/contract/currency';
import type { House, Order } from '@bienestar/core/house/house';

/** An order as a list that a supplier can read. */
export function orderCsv(
  order: Order,
  { materials, settings }: Pick<House, 'materials' | 'settings'>,
): string {
  const perMajor = minorPerMajor(settings.currency);
  const rows = order.lines.map((line) => {
    const material = materials.find(({ id }) => id === line.materialId);
    const packs = material && material.kind !== 'linen' ? material.packs : [];
    const pack = packs.find(({ id }) => id === line.packId);
    return {
      order: order.name,
      article: pack?.code ?? '',
      name: material?.name ?? line.materialId,
      containers: pack?.containers ?? '',
      content: pack?.content ?? '',
      unit: material?.unit ?? '',
      packs: line.packs,
      price: line.priceMinor / perMajor,
      currency: settings.currency,
    };
  });
  const fields = [
    'order',
    'article',
    'name',
    'containers',
    'content',
    'unit',
    'packs',
    'price',
    'currency',
  ];
  return Papa.unparse({ fields, data: rows }, { escapeFormulae: LIKE_A_FORMULA });
}
