import { Router, type Request, type Response } from 'express';
import type { Sequelize, Transaction } from 'sequelize';
import { PROBLEM_TYPES, type OrderReceived, type Versioned } from '@bienestar/contract/api';
import { SCHEMAS } from '@bienestar/contract/rules';
import { supplierAnswer, supplierOrder } from '@bienestar/contract/supplierOrders';
import { checkAgainst, type Fault } from '@bienestar/contract/check';
import type { Order, Supplier } from '@bienestar/core/house/house';
import type { Problem } from '@bienestar/core/problem/problem';
import { applyAnswer, sentOrder } from '@bienestar/core/restock/sendOrder';
import { receiveOrder, type Receiving } from '@bienestar/core/restock/receiveOrder';
import { dayOf } from '@bienestar/core/days/days';
import { answeredBefore, answerWrite, send } from '../answers/answerWrite';
import { reading } from '../db/unitOfWork';
import { checkedInput, takeVersion } from '../aggregates/checkInput';
import { fetchText } from '../http/fetchText';
import { invalidInput, notFound, Refusal, staleWrite, within } from '../http/problems';
import type { Stores } from '../house/stores';
import { enterEntry, holdForEntries } from '../ledger/enterEntry';

type OrderStores = Pick<Stores, 'orders' | 'suppliers' | 'materials' | 'ledger'>;

/**
 * What is done with an order besides writing it.
 * - `POST /:id/send` with the `version` read: to the supplier, over its order address; the order then
 *   carries its answer. 400 where the supplier takes no orders so, 409 stale, 424 when it does not answer:
 *   then the order stays a draft, and sending it again is no second order.
 * - `POST /:id/ask` with the `version`: what has become of it; 424.
 * - `POST /:id/receive` with the `version` and what came: lots in the ledger and the order, or nothing;
 *   400 with faults at their lines, 409 with both sides when somebody else received meanwhile. The same
 *   delivery sent again is answered 200 with what it did.
 * @param base where suppliers take orders; a feed is a name under it, so nobody can name another address
 */
export function orderRoutes(
  stores: OrderStores,
  base: string | undefined,
  sequelize: Sequelize,
): Router {
  const { orders, suppliers, materials } = stores;
  const router = Router();

  const held = async (id: string, tx: Transaction): Promise<Versioned<Order>> => {
    const order = await orders.find(id, tx);
    if (!order) throw notFound('order', id);
    return order;
  };
  const known = async (
    id: string,
    body: unknown,
    tx: Transaction,
  ): Promise<{ readonly order: Order; readonly version: number; readonly supplier: Supplier }> => {
    const { version } = takeVersion(body);
    const { version: current, ...order } = await held(id, tx);
    if (version !== current) throw staleWrite('order', { ...order, version: current }, body);
    const supplier = await suppliers.find(order.supplierId, tx);
    if (!supplier) throw notFound('supplier', order.supplierId);
    return { order, version, supplier };
  };
  const addressOf = ({ name, feed }: Supplier): string => {
    if (feed !== undefined && base !== undefined) return `${base}/${feed}/orders`;
    throw invalidInput([
      {
        pointer: '/supplierId',
        code: 'feed.missing',
        message: `${name} takes no orders over the network: print it, or save it as a file.`,
      },
    ]);
  };
  const write = (
    request: Request,
    response: Response,
    order: Order,
    version: number,
  ): Promise<void> =>
    answerWrite(request, response, sequelize, async (tx) => {
      if (!(await orders.replace(order, version, tx))) {
        throw staleWrite('order', await orders.find(order.id, tx), order);
      }
      return { status: 200, body: await held(order.id, tx) };
    });

  router.post('/:id/send', async (request, response) => {
    const { id } = request.params;
    const earlier = await answeredBefore(request, sequelize);
    if (earlier) {
      send(response, earlier);
      return;
    }
    const read = await reading(sequelize, async (tx) => ({
      ...(await known(id, request.body, tx)),
      shelf: await materials.all(tx),
    }));
    const ready = sentOrder(read.order, read.supplier, read.shelf, 'supplier', dayOf(new Date()));
    if (!ready.ok) throw invalidInput(lineFaults(read.order, ready.problems));
    const text = await fetchText(addressOf(read.supplier), asked(read.supplier), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(supplierOrder(read.order, read.shelf)),
    });
    const answer = answerFrom(text, read.supplier);
    await write(request, response, applyAnswer(ready.value, answer, read.shelf), read.version);
  });

  router.post('/:id/ask', async (request, response) => {
    const { id } = request.params;
    const earlier = await answeredBefore(request, sequelize);
    if (earlier) {
      send(response, earlier);
      return;
    }
    const read = await reading(sequelize, async (tx) => ({
      ...(await known(id, request.body, tx)),
      shelf: await materials.all(tx),
    }));
    const text = await fetchText(`${addressOf(read.supplier)}/${id}`, asked(read.supplier));
    const answer = answerFrom(text, read.supplier);
    await write(request, response, applyAnswer(read.order, answer, read.shelf), read.version);
  });

  router.post('/:id/receive', async (request, response) => {
    const { id } = request.params;
    const { value, version } = takeVersion(request.body);
    const receiving = checkedInput<Receiving>(SCHEMAS.receiving, value);
    await answerWrite(request, response, sequelize, async (tx) => {
      await orders.hold(id, tx);
      const { version: current, ...order } = await held(id, tx);
      const receipts = new Set(
        order.lines.flatMap(({ received }) => received.map(({ entryId }) => entryId)),
      );
      if (receiving.lines.some(({ entryId }) => receipts.has(entryId))) {
        const known: OrderReceived = { order: { ...order, version: current }, stock: [] };
        return { status: 200, body: known };
      }
      if (version !== current) {
        throw staleWrite('order', { ...order, version: current }, request.body);
      }
      const received = receiveOrder(order, receiving, await materials.all(tx));
      if (!received.ok) throw invalidInput(receivingFaults(receiving, received.problems));
      const stock: OrderReceived['stock'][number][] = [];
      const { entries } = received.value;
      const holding = await holdForEntries(entries, stores, tx);
      for (const entry of entries) {
        const at = receiving.lines.findIndex(({ entryId }) => entryId === entry.id);
        const { posted } = await within(`/lines/${at}`, () =>
          enterEntry(entry, holding, stores, tx),
        );
        stock.push(posted.stock);
      }
      await orders.replace(received.value.order, version, tx);
      const done: OrderReceived = { order: await held(id, tx), stock };
      return { status: 200, body: done };
    });
  });

  return router;
}

function asked({ name }: Supplier): Parameters<typeof fetchText>[1] {
  return { who: name, what: 'answer', type: PROBLEM_TYPES.supplierAway };
}

function answerFrom(text: string, { name }: Supplier): Parameters<typeof applyAnswer>[1] {
  const parsed = parse(text);
  const checked = checkAgainst(supplierAnswer, parsed);
  if (checked.ok) return checked.value;
  throw new Refusal(
    424,
    PROBLEM_TYPES.supplierAway,
    'No answer from outside',
    `${name} answered something that cannot be read. Nothing was changed; ask by telephone, or try again later.`,
  );
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

function lineFaults(order: Order, problems: readonly Problem[]): Fault[] {
  return problems.map(({ code, message, where }) => {
    const at = order.lines.findIndex(({ id }) => id === where.lineId);
    return { pointer: at === -1 ? `/${where.field ?? ''}` : `/lines/${at}`, code, message };
  });
}

function receivingFaults({ lines }: Receiving, problems: readonly Problem[]): Fault[] {
  return problems.map(({ code, message, where }) => {
    const at = lines.findIndex(({ lineId }) => lineId === where.lineId);
    const field = where.field ?? '';
    return { pointer: at === -1 ? `/${field}` : `/lines/${at}/${field}`, code, message };
  });
}
