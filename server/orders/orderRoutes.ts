import { Router, type Request, type Response } from 'express';
import { type Versioned } from '@bienestar/contract/api';
import { type OrderReceived } from '@bienestar/contract/happened';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { SCHEMAS } from '@bienestar/contract/rules';
import { supplierAnswer, supplierOrder } from '@bienestar/contract/supplierOrders';
import { checkAgainst, type Fault } from '@bienestar/contract/check';
import type { Order, Supplier } from '@bienestar/core/house/house';
import type { Problem } from '@bienestar/core/problem/problem';
import { applyAnswer, sentOrder } from '@bienestar/core/restock/sendOrder';
import { receiveOrder, type Receiving } from '@bienestar/core/restock/receiveOrder';
import { todayOf } from '@bienestar/core/days/days';
import { checkedInput, takeVersion } from '../aggregates/checkInput';
import { fetchText } from '../http/fetchText';
import { invalidInput, notFound, Refusal, staleWrite, within } from '../http/problems';
import { enterEntry, holdForEntries } from '../ledger/enterEntry';
import { send, type Door } from '../work/door';
import type { UnitOfWork } from '../work/unitOfWork';

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
export function orderRoutes(door: Door, base: string | undefined): Router {
  const router = Router();

  const held = async ({ house }: UnitOfWork, id: string): Promise<Versioned<Order>> => {
    const order = await house.orders.find(id);
    if (!order) throw notFound('order', id);
    return order;
  };
  const known = async (
    unit: UnitOfWork,
    id: string,
    body: unknown,
  ): Promise<{ readonly order: Order; readonly version: number; readonly supplier: Supplier }> => {
    const { version } = takeVersion(body);
    const { version: current, ...order } = await held(unit, id);
    if (version !== current) throw staleWrite('order', { ...order, version: current }, body);
    const supplier = await unit.house.suppliers.find(order.supplierId);
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
    door.write(request, response, async (unit) => {
      const { orders } = unit.house;
      if (!(await orders.replace(order, version))) {
        throw staleWrite('order', await orders.find(order.id), order);
      }
      return { status: 200, body: await held(unit, order.id) };
    });

  router.post('/:id/send', async (request, response) => {
    const { id } = request.params;
    const earlier = await door.answeredBefore(request);
    if (earlier) {
      send(response, earlier);
      return;
    }
    const read = await door.read(request, async (unit) => ({
      ...(await known(unit, id, request.body)),
      shelf: await unit.house.materials.all(),
      today: todayOf(unit),
    }));
    const ready = sentOrder(read.order, read.supplier, read.shelf, 'supplier', read.today);
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
    const earlier = await door.answeredBefore(request);
    if (earlier) {
      send(response, earlier);
      return;
    }
    const read = await door.read(request, async (unit) => ({
      ...(await known(unit, id, request.body)),
      shelf: await unit.house.materials.all(),
      today: todayOf(unit),
    }));
    const text = await fetchText(`${addressOf(read.supplier)}/${id}`, asked(read.supplier));
    const answer = answerFrom(text, read.supplier);
    await write(request, response, applyAnswer(read.order, answer, read.shelf), read.version);
  });

  router.post('/:id/receive', async (request, response) => {
    const { id } = request.params;
    const { value, version } = takeVersion(request.body);
    const receiving = checkedInput<Receiving>(SCHEMAS.receiving, value);
    await door.write(request, response, async (unit) => {
      const { orders, materials } = unit.house;
      await orders.hold(id);
      const { version: current, ...order } = await held(unit, id);
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
      const received = receiveOrder(order, receiving, await materials.all());
      if (!received.ok) throw invalidInput(receivingFaults(receiving, received.problems));
      const stock: OrderReceived['stock'][number][] = [];
      const { entries } = received.value;
      const holding = await holdForEntries(entries, unit);
      for (const entry of entries) {
        const at = receiving.lines.findIndex(({ entryId }) => entryId === entry.id);
        const { posted } = await within(`/lines/${at}`, () => enterEntry(entry, holding, unit));
        stock.push(posted.stock);
      }
      await orders.replace(received.value.order, version);
      const done: OrderReceived = { order: await held(unit, id), stock };
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
