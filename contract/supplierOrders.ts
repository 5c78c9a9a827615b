import type Joi from 'joi';
import type { House, Order } from '@bienestar/core/house/house';
import type { SupplierAnswer } from '@bienestar/core/restock/sendOrder';
import { LIMITS } from './limits';
import { day, limited, listOf, name, shape, text } from './schemas/common';

/** An order as a supplier is sent it: docs/supplier-orders.md. */
export interface SupplierOrder {
  readonly id: string;
  readonly lines: readonly { readonly code: string; readonly packs: number }[];
}

const packs = limited(LIMITS.packsOrNone);

/** What a supplier may answer. */
export const supplierAnswer: Joi.ObjectSchema<SupplierAnswer> = shape<SupplierAnswer>({
  reference: name,
  dueOn: day.optional(),
  lines: listOf(
    shape<SupplierAnswer['lines'][number]>({
      code: name,
      packs,
      instead: name.optional(),
      words: text.min(1).max(300).optional(),
    }),
    2_000,
  ),
});

/** An order in the supplier's article numbers; where a pack has none, by the name of the material. */
export function supplierOrder(order: Order, materials: House['materials']): SupplierOrder {
  return {
    id: order.id,
    lines: order.lines.map((line) => {
      const material = materials.find(({ id }) => id === line.materialId);
      const of = material && material.kind !== 'linen' ? material.packs : [];
      const pack = of.find(({ id }) => id === line.packId);
      return { code: pack?.code ?? material?.name ?? line.materialId, packs: line.packs };
    }),
  };
}
