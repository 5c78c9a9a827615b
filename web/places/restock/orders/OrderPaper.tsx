import type { Order } from '@bienestar/core/house/house';
import { dayText, money } from '../../../format/figures';
import { useHouse } from '../../../store/house';
import { contentWords } from '../../shelf/materialWords';

/** The order as it goes to the supplier on paper; not seen on the screen. */
export function OrderPaper({ order }: { readonly order: Order }) {
  const { settings, suppliers, materials } = useHouse();
  const supplier = suppliers.find(({ id }) => id === order.supplierId);
  return (
    <article className="hidden print:block" aria-hidden>
      <style>{'@page { size: A4; margin: 16mm; }'}</style>
      <p>
        {settings.name}, {settings.place}
      </p>
      <p className="mt-4 text-2xl font-bold">
        Order {order.name} to {supplier?.name}
      </p>
      <p>{dayText(order.writtenOn)}</p>
      <table className="mt-4 w-full text-sm">
        <thead>
          <tr className="border-b text-left">
            <th className="py-1">Article</th>
            <th>Name</th>
            <th>Pack</th>
            <th className="text-right">Packs</th>
            <th className="text-right">Price expected</th>
          </tr>
        </thead>
        <tbody>
          {order.lines.map((line) => {
            const material = materials.find(({ id }) => id === line.materialId);
            const packs = material && material.kind !== 'linen' ? material.packs : [];
            const pack = packs.find(({ id }) => id === line.packId);
            return (
              <tr key={line.id} className="border-b">
                <td className="py-1">{pack?.code ?? ''}</td>
                <td>{material?.name}</td>
                <td>{pack && material && contentWords(pack, material.unit, material.kind)}</td>
                <td className="text-right">{line.packs}</td>
                <td className="text-right">{money(line.priceMinor, settings.currency)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {order.note !== undefined && <p className="mt-4">{order.note}</p>}
    </article>
  );
}
