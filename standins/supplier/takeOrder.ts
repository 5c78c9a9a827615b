import Papa from 'papaparse';

/** What the stand-in does with an order. */
export const BEHAVIOURS = ['confirm', 'late', 'short', 'substitute'] as const;
export type Behaviour = (typeof BEHAVIOURS)[number];

/** An order as the house sends it. */
export interface TakenOrder {
  readonly id: string;
  readonly lines: readonly { readonly code: string; readonly packs: number }[];
}

/** What is answered: docs/supplier-orders.md. */
export interface OrderAnswer {
  readonly reference: string;
  readonly dueOn: string;
  readonly lines: readonly {
    readonly code: string;
    readonly packs: number;
    readonly instead?: string;
    readonly words?: string;
  }[];
}

const DAYS_TO_SHIP = 2;
const DAYS_LATE = 6;
const DAY_MS = 86_400_000;

/** True for what looks like an order; the stand-in refuses anything else. */
export function isOrder(value: unknown): value is TakenOrder {
  if (typeof value !== 'object' || value === null) return false;
  const { id, lines } = value as Partial<Record<keyof TakenOrder, unknown>>;
  return (
    typeof id === 'string' &&
    Array.isArray(lines) &&
    lines.every(
      (line: Partial<TakenOrder['lines'][number]> | null) =>
        typeof line?.code === 'string' && typeof line.packs === 'number' && line.packs > 0,
    )
  );
}

/**
 * The answer of a simulated supplier: it confirms, ships late, sends less of its first article, or
 * another size of it. What is no longer in its list it does not send.
 * @param list the supplier's price list of the day, CSV
 */
export function takeOrder(
  order: TakenOrder,
  list: string,
  behaviour: Behaviour,
  now: Date,
): OrderAnswer {
  const delimiter = list.split('\n', 1)[0]?.includes(';') ? ';' : ',';
  const { data } = Papa.parse<string[]>(list.trim(), { delimiter });
  const names = new Map(data.slice(1).map((row) => [row[0] ?? '', row[1] ?? '']));
  const days = behaviour === 'late' ? DAYS_LATE : DAYS_TO_SHIP;
  return {
    reference: referenceOf(order.id),
    dueOn: new Date(now.getTime() + days * DAY_MS).toISOString().slice(0, 10),
    lines: order.lines.map(({ code, packs }, at) => {
      const name = names.get(code);
      if (name === undefined) return { code, packs: 0, words: 'No longer in our list.' };
      if (at === 0 && behaviour === 'short') {
        const some = Math.floor(packs / 2);
        return { code, packs: some, words: `Only ${some} in stock.` };
      }
      if (at === 0 && behaviour === 'substitute') {
        const other = sibling(code, name, names);
        return other === undefined
          ? { code, packs, words: 'Sent in other packaging.' }
          : { code, packs, instead: other, words: 'Out of stock: another size in its place.' };
      }
      return { code, packs };
    }),
  };
}

/** Another article whose name begins with the same words. */
function sibling(
  code: string,
  name: string,
  names: ReadonlyMap<string, string>,
): string | undefined {
  const words = (of: string): string => of.split(/[ ,]+/, 2).join(' ');
  return [...names].find(([other, called]) => other !== code && words(called) === words(name))?.[0];
}

function referenceOf(id: string): string {
  let sum = 7;
  for (const letter of id) sum = (sum * 31 + (letter.codePointAt(0) ?? 0)) % 90_000;
  return `A-${10_000 + sum}`;
}
