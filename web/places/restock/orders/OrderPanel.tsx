import { Link } from 'react-router';
import { useState } from 'react';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { FormFault } from '../../../parts/FormFault';
import { toast } from '../../../parts/toast';
import { type Versioned } from '@bienestar/contract/api';
import type { Order } from '@bienestar/core/house/house';
import type { SentBy } from '@bienestar/core/house/restock';
import { invoiceDifferences } from '@bienestar/core/restock/receiveOrder';
import {
  isUnderWay,
  openPacksOf,
  orderProgress,
  receivedPacks,
  takenBackPacks,
} from '@bienestar/core/restock/orderProgress';
import { sentOrder } from '@bienestar/core/restock/sendOrder';
import { daysBetween } from '@bienestar/core/days/days';
import { counted, dayText, money, moneyChange } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { TextField } from '../../../parts/TextField';
import { fileNameOf, saveFile } from '../../../parts/saveFile';
import { WaitingHere } from '../../../parts/waiting/WaitingHere';
import { refusalWords } from '../../../store/refusals';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { useAskOrderMutation, useSendOrderMutation } from '../../../store/restockApi';
import { useAddAndRemove, useChange } from '../../../store/useEditPart';
import { orderWords, SENT_WORDS, whenWords } from '../restockWords';
import { usePdf } from '../../card/paper';
import { DraftLines } from './DraftLines';
import { orderCsv } from './orderCsv';
import { OrderPaper } from './OrderPaper';
import { orderSheet } from './orderSheet';
import { ReceiveSheet } from './ReceiveSheet';

const OTHER_WAYS = (['print', 'file', 'phone'] as const).map((by) => ({
  value: by,
  label: `sent ${SENT_WORDS[by]}`,
}));

/** One order in hand: written, sent, asked about, received, closed. */
export function OrderPanel({ order }: { readonly order: Versioned<Order> }) {
  const house = useHouse();
  const { today } = useRestock();
  const change = useChange('orders', order);
  const { remove } = useAddAndRemove('orders');
  const [send, sending] = useSendOrderMutation();
  const [ask, asking] = useAskOrderMutation();
  const [fault, setFault] = useState<string>();
  const pdf = usePdf();
  const sheet = orderSheet(order, house);
  const [receiving, setReceiving] = useState<'asked'>();
  const { currency } = house.settings;
  const supplier = house.suppliers.find(({ id }) => id === order.supplierId);
  const since = order.dueOn === undefined ? 0 : daysBetween(order.dueOn, today);
  const progress = orderProgress(order, since);
  const toSupplier = async (): Promise<void> => {
    setFault(undefined);
    const answer = await send({ id: order.id, version: order.version });
    if (answer.error) setFault(refusalWords(answer.error));
    else toast.success(`${supplier?.name ?? 'The supplier'} has answered.`);
  };
  const news = async (): Promise<void> => {
    setFault(undefined);
    const answer = await ask({ id: order.id, version: order.version });
    if (answer.error) setFault(refusalWords(answer.error));
    else toast.success('This is how it stands with the supplier now.');
  };
  const markSent = async (by: SentBy): Promise<void> => {
    if (!supplier) return;
    const ready = sentOrder(order, supplier, house.materials, by, today);
    setFault(ready.ok ? await change(ready.value) : ready.problems[0]?.message);
  };
  return (
    <div className="flex flex-col gap-4">
      <OrderPaper sheet={sheet} />
      <WaitingHere
        isHere={({ change }) => change.kind === 'receipt' && change.orderId === order.id}
      />
      <div className="flex flex-col gap-4 print:hidden">
        <div>
          <p className="text-sm text-palm">{orderWords(order)}</p>
          <h2 className="text-2xl">
            {order.name} to {supplier?.name ?? 'a supplier who is gone'}
          </h2>
          <p className="mt-1 text-sm text-ink-soft">
            written {dayText(order.writtenOn)}
            {order.sent && `, sent ${dayText(order.sent.on)} ${SENT_WORDS[order.sent.by]}`}
            {order.reference !== undefined && `, their number ${order.reference}`}
          </p>
          {order.dueOn !== undefined && isUnderWay(order) && (
            <p className={progress.daysLate > 0 ? 'font-semibold text-clay' : ''}>
              {progress.daysLate > 0 && '▲ '}
              Expected {dayText(order.dueOn)}, {whenWords(order.dueOn, today)}
            </p>
          )}
        </div>
        {order.state === 'draft' ? (
          <DraftLines order={order} change={change} />
        ) : (
          <SentLines order={order} />
        )}
        <p className="flex justify-between border-t border-line-strong pt-2">
          <span>In all</span>
          <span className="font-serif text-xl">{money(progress.totalMinor, currency)}</span>
        </p>
        <TextField
          label="A word to go with it"
          commitOn="leaving"
          lines={2}
          longest={LONGEST_NOTE}
          value={order.note ?? ''}
          onCommit={(note) => change({ note: note.trim() === '' ? undefined : note.trim() })}
        />
        <FormFault fault={fault} />
        <div className="flex flex-wrap gap-2">
          {order.state === 'draft' && (
            <>
              {supplier?.feed !== undefined && (
                <Button
                  weight="main"
                  disabled={sending.isLoading}
                  onClick={() => void toSupplier()}
                >
                  {sending.isLoading ? 'Waiting for the answer …' : 'Send to the supplier'}
                </Button>
              )}
              <Choice<SentBy | ''>
                className="w-52"
                label="Mark as sent"
                labelHidden
                value=""
                placeholder="Sent another way …"
                options={OTHER_WAYS}
                onChoose={(by) => by !== '' && void markSent(by)}
              />
            </>
          )}
          {isUnderWay(order) && (
            <>
              <Button weight="main" onClick={() => setReceiving('asked')}>
                Some of it came
              </Button>
              {order.sent?.by === 'supplier' && (
                <Button disabled={asking.isLoading} onClick={() => void news()}>
                  Ask how it stands
                </Button>
              )}
            </>
          )}
          <Button
            onClick={() => {
              window.print();
            }}
          >
            Print
          </Button>
          <Button
            disabled={pdf.busy}
            onClick={() => pdf.make({ kind: 'order', sheet }, fileNameOf(sheet.title))}
          >
            PDF
          </Button>
          <Button
            onClick={() => {
              saveFile(orderCsv(order, house), `${fileNameOf(order.name)}.csv`, 'text/csv');
            }}
          >
            CSV
          </Button>
          {isUnderWay(order) && (
            <Button
              weight="remove"
              onClick={() =>
                void change({
                  state: progress.received > 0 ? 'closed' : 'cancelled',
                  closedOn: today,
                })
              }
            >
              {progress.received > 0 ? 'Close it: no more comes' : 'Call it off'}
            </Button>
          )}
          {(order.state === 'closed' || order.state === 'cancelled') && progress.open === 0 && (
            <Button onClick={() => void change({ state: 'sent', closedOn: undefined })}>
              Open it again
            </Button>
          )}
          {order.state === 'draft' && (
            <Button weight="remove" onClick={() => void remove(order)}>
              Remove this draft
            </Button>
          )}
        </div>
        <Link to="/restock/orders" className="text-sm text-palm underline underline-offset-4">
          What should be ordered now
        </Link>
      </div>
      {receiving && <ReceiveSheet order={order} onClose={() => setReceiving(undefined)} />}
    </div>
  );
}

function SentLines({ order }: { readonly order: Order }) {
  const { materials, settings } = useHouse();
  const differences = new Map(
    invoiceDifferences(order).map((each) => [each.line.id, each] as const),
  );
  return (
    <ul className="text-sm">
      {order.lines.map((line) => {
        const material = materials.find(({ id }) => id === line.materialId);
        const invoice = differences.get(line.id);
        const came = receivedPacks(line);
        const open = isUnderWay(order) ? openPacksOf(line) : 0;
        return (
          <li key={line.id} className="border-b border-line py-2">
            <div className="flex gap-3">
              <span className="min-w-0 flex-1 font-semibold">
                {material?.name ?? 'no longer on the shelf'}
              </span>
              <span>{counted(line.packs, 'pack')}</span>
              <span className="w-28 text-right">
                {money(line.priceMinor, settings.currency)} a pack
              </span>
            </div>
            {line.confirmed &&
              (line.confirmed.packs !== line.packs || line.confirmed.words !== undefined) && (
                <p className="text-clay">
                  ▲ They send {counted(line.confirmed.packs, 'pack')}
                  {line.confirmed.packId !== undefined && ' of another size'}
                  {line.confirmed.words !== undefined && `: ${line.confirmed.words}`}
                </p>
              )}
            <p className="text-ink-soft">
              {came > 0 && `${counted(came, 'pack')} came`}
              {came > 0 && open > 0 && ', '}
              {open > 0 && `${open} still to come`}
              {line.refused > 0 && `, ${line.refused} sent back`}
              {takenBackPacks(line) > 0 &&
                `, ${takenBackPacks(line)} taken back on the shelf: not counted as come`}
            </p>
            {invoice && (
              <p className="text-clay">
                ▲ Invoiced at {money(invoice.paidMinor, settings.currency)} a pack,{' '}
                {moneyChange(invoice.moreMinor, settings.currency)} in all.
              </p>
            )}
          </li>
        );
      })}
    </ul>
  );
}
