import { BackToList } from '../../../parts/BackToList';
import { useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Order } from '@bienestar/core/house/house';
import type { SupplierId } from '@bienestar/core/house/ids';
import { orderProgress } from '@bienestar/core/restock/orderProgress';
import { proposeOrders } from '@bienestar/core/restock/proposeOrders';
import { daysBetween } from '@bienestar/core/days/days';
import { counted, dayText, money } from '../../../format/figures';
import { Choice } from '../../../parts/Choice';
import { EarlierButton } from '../../../parts/EarlierButton';
import { EmptyPlace } from '../../../parts/EmptyPlace';
import { CELL_LOOK, PlaceTable, rowLook } from '../../../parts/PlaceTable';
import { figures, names, wide } from '../../../parts/TableHead';
import { useHouse } from '../../../store/house';
import { useRecord, useRecords } from '../../../store/useRecords';
import { useRestock } from '../../../store/restock';
import { useAddAndRemove } from '../../../store/useEditPart';
import { RestockHeader } from '../RestockHeader';
import { orderWords } from '../restockWords';
import { draftOrder } from './newOrder';
import { OrderPanel } from './OrderPanel';
import { ProposalList } from './ProposalList';

const COLUMNS = [
  ...names('Order', 'Supplier', 'Expected'),
  ...wide(figures('Packs', 'Total')),
  ...names('Stands'),
];

const RANK: Record<Order['state'], number> = {
  draft: 0,
  sent: 1,
  confirmed: 1,
  closed: 2,
  cancelled: 3,
};

/** Every order: written, sent, on its way, received; and what should be ordered now. */
export function OrdersPlace() {
  const house = useHouse();
  const restock = useRestock();
  const { records: orders, readEarlier } = useRecords('orders');
  const { orderId } = useParams();
  const navigate = useNavigate();
  const { add, busy } = useAddAndRemove('orders');
  const proposals = useMemo(() => proposeOrders(house, restock), [house, restock]);
  const listed = useMemo(
    () =>
      orders.toSorted(
        (a, b) => RANK[a.state] - RANK[b.state] || (a.writtenOn < b.writtenOn ? 1 : -1),
      ),
    [orders],
  );
  const chosen = useRecord('orders', orderId);
  const begin = async (supplierId: SupplierId): Promise<void> => {
    const order = draftOrder({ id: supplierId }, [], restock.today, orders);
    if (await add(order)) await navigate(`/restock/orders/${order.id}`);
  };
  return (
    <div className="flex h-full flex-col print:block">
      <RestockHeader title="Orders">
        {house.suppliers.length > 0 && !busy && (
          <Choice<SupplierId | ''>
            className="w-64"
            label="New order to"
            labelHidden
            placeholder="New order to …"
            value=""
            options={house.suppliers.map(({ id, name }) => ({ value: id, label: name }))}
            onChoose={(id) => id !== '' && void begin(id)}
          />
        )}
      </RestockHeader>
      <div
        data-shows={chosen ? 'hand' : undefined}
        className="columns-of-place lg:grid-cols-[minmax(0,1fr)_31rem] print:block"
      >
        <div className="flex min-h-0 flex-col print:hidden">
          {orders.length === 0 ? (
            <div className="px-6 py-6">
              <EmptyPlace title="No order yet">
                What is at its order point stands beside, ready to be written as an order. What
                comes is received here, in parts if need be, and goes on the shelf as lots.
              </EmptyPlace>
            </div>
          ) : (
            <PlaceTable label="Orders" columns={COLUMNS}>
              <tbody>
                {listed.map((order) => (
                  <OrderRow key={order.id} order={order} chosen={order.id === orderId} />
                ))}
                {readEarlier && (
                  <tr>
                    <td colSpan={COLUMNS.length} className={CELL_LOOK}>
                      <EarlierButton onRead={readEarlier} />
                    </td>
                  </tr>
                )}
              </tbody>
            </PlaceTable>
          )}
        </div>
        <aside
          aria-label="In hand"
          className="min-h-0 overflow-y-auto border-l border-line bg-sheet px-5 py-4 print:border-0 print:p-0"
          tabIndex={0}
        >
          {chosen && <BackToList to="/restock/orders" all="All orders" />}
          {chosen ? (
            <OrderPanel key={chosen.id} order={chosen} />
          ) : (
            <ProposalList proposals={proposals} />
          )}
        </aside>
      </div>
    </div>
  );
}

function OrderRow({ order, chosen }: { readonly order: Order; readonly chosen: boolean }) {
  const { settings, suppliers } = useHouse();
  const { today } = useRestock();
  const since = order.dueOn === undefined ? 0 : daysBetween(order.dueOn, today);
  const { ordered, received, totalMinor, daysLate } = orderProgress(order, since);
  return (
    <tr className={rowLook(chosen)}>
      <td className={CELL_LOOK}>
        <Link
          to={`/restock/orders/${order.id}`}
          aria-current={chosen ? 'true' : undefined}
          className="font-serif text-lg leading-tight hover:text-clay hover:underline"
        >
          {order.name}
        </Link>
        <span className="block text-ink-soft">{dayText(order.writtenOn)}</span>
      </td>
      <td className={CELL_LOOK}>
        {suppliers.find(({ id }) => id === order.supplierId)?.name ?? 'no longer a supplier'}
      </td>
      <td className={CELL_LOOK}>
        {order.dueOn === undefined ? '' : dayText(order.dueOn)}
        {daysLate > 0 && (
          <span className="block font-semibold text-clay">▲ {counted(daysLate, 'day')} late</span>
        )}
      </td>
      <td className={`${CELL_LOOK} text-right max-sm:hidden`}>
        {received > 0 ? `${received} of ${ordered}` : ordered}
      </td>
      <td className={`${CELL_LOOK} text-right max-sm:hidden`}>
        {money(totalMinor, settings.currency)}
      </td>
      <td className={CELL_LOOK}>{orderWords(order)}</td>
    </tr>
  );
}
