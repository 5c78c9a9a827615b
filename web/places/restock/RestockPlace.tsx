import { useMemo } from 'react';
import { Link } from 'react-router';
import { attentionOf, type Attention } from '@bienestar/core/restock/attention';
import { freshList, proposeOrders } from '@bienestar/core/restock/proposeOrders';
import { dayText, money } from '../../format/figures';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { useHouse } from '../../store/house';
import { useRestock } from '../../store/restock';
import { useHouseClock } from '../../store/clock';
import { FreshList } from './FreshList';
import { ProposalList } from './orders/ProposalList';
import { RestockHeader } from './RestockHeader';
import { attentionWords, HARM_WORDS } from './restockWords';

/** What to do today on the shelf, what harms most in front, and the orders to write. */
export function RestockPlace() {
  const house = useHouse();
  const restock = useRestock();
  const { now } = useHouseClock();
  const items = useMemo(() => attentionOf(house, restock, now), [house, restock, now]);
  const proposals = useMemo(() => proposeOrders(house, restock), [house, restock]);
  const fresh = useMemo(() => freshList(house, restock), [house, restock]);
  const total = proposals.reduce((sum, { totalMinor }) => sum + totalMinor, 0);
  const { currency } = house.settings;
  return (
    <div className="flex h-full flex-col">
      <RestockHeader title="Today on the shelf">
        <p role="status" className="text-sm text-ink-soft">
          {dayText(restock.today)}:{' '}
          {items.length === 0 ? 'nothing to attend to' : `${items.length} to attend to`}
          {total > 0 && `, ${money(total, currency)} to order`}
        </p>
      </RestockHeader>
      <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div
          className="min-h-0 overflow-y-auto px-6 py-4"
          tabIndex={0}
          role="group"
          aria-label="To attend to"
        >
          {items.length === 0 ? (
            <EmptyPlace title="Nothing to attend to">
              {house.materials.length === 0
                ? 'Put materials on the shelf first; then what runs out, expires or is late is told here, with what to do about it.'
                : 'Everything lasts until the next delivery, nothing expires this week, nothing is late and everything has been counted.'}
            </EmptyPlace>
          ) : (
            <AttentionList items={items} />
          )}
        </div>
        <aside
          aria-label="To buy"
          className="min-h-0 overflow-y-auto border-l border-line bg-sheet px-5 py-4"
          tabIndex={0}
        >
          <ProposalList proposals={proposals} />
          <FreshList lines={fresh} />
        </aside>
      </div>
    </div>
  );
}

function AttentionList({ items }: { readonly items: readonly Attention[] }) {
  const groups = new Map<string, Attention[]>();
  for (const item of items) {
    const title = HARM_WORDS[item.kind];
    groups.set(title, [...(groups.get(title) ?? []), item]);
  }
  return (
    <div className="flex flex-col gap-5">
      {[...groups].map(([title, of]) => (
        <section key={title} aria-label={title}>
          <h2 className="border-b border-line-strong pb-1 text-lg">{title}</h2>
          <ul>
            {of.map((item, at) => (
              <AttentionLine key={at} item={item} />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function AttentionLine({ item }: { readonly item: Attention }) {
  const { today } = useRestock();
  const { currency } = useHouse().settings;
  const { title, text, action, to, mark } = attentionWords(item, today, currency);
  const urgent = mark === '■' || mark === '▲';
  return (
    <li className="flex items-baseline gap-3 border-b border-line py-2">
      <span aria-hidden className={`w-4 text-center ${urgent ? 'text-clay' : 'text-ink-soft'}`}>
        {mark}
      </span>
      <p className="min-w-0 flex-1">
        <span className="font-semibold">{title}</span> <span className="text-ink-soft">{text}</span>
      </p>
      <Link
        to={to}
        aria-label={`${action}: ${title}`}
        className="shrink-0 text-sm font-semibold text-palm underline underline-offset-4"
      >
        {action}
      </Link>
    </li>
  );
}
