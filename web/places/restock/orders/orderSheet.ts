import type { House, Order } from '@bienestar/core/house/house';
import { orderProgress } from '@bienestar/core/restock/orderProgress';
import { dayText, money } from '../../../format/figures';
import { contentWords } from '../../shelf/materialWords';

/** An order as it goes to the supplier on paper. */
export interface OrderSheet {
  readonly house: string;
  readonly title: string;
  readonly day: string;
  readonly lines: readonly {
    readonly key: string;
    readonly article: string;
    readonly name: string;
    readonly pack: string;
    readonly packs: string;
    readonly price: string;
  }[];
  readonly total: string;
  readonly note?: string;
}

/** The words of an order for paper: print and PDF. */
export function orderSheet(
  order: Order,
  { settings, suppliers, materials }: Pick<House, 'settings' | 'suppliers' | 'materials'>,
): OrderSheet {
  const supplier = suppliers.find(({ id }) => id === order.supplierId);
  const { currency } = settings;
  return {
    house: `${settings.name}, ${settings.place}`,
    title: `Order ${order.name} to ${supplier?.name ?? 'the supplier'}`,
    day: dayText(order.writtenOn),
    lines: order.lines.map((line) => {
      const material = materials.find(({ id }) => id === line.materialId);
      const packs = material && material.kind !== 'linen' ? material.packs : [];
      const pack = packs.find(({ id }) => id === line.packId);
      return {
        key: line.id,
        article: pack?.code ?? '',
        name: material?.name ?? '',
        pack: pack && material ? contentWords(pack, material.unit, material.kind) : '',
        packs: String(line.packs),
        price: money(line.priceMinor, currency),
      };
    }),
    total: money(orderProgress(order, 0).totalMinor, currency),
    ...(order.note !== undefined && { note: order.note }),
  };
}
