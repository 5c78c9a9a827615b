import { useMemo } from 'react';
import { Link } from 'react-router';
import { attentionOf, type Attention } from '@bienestar/core/restock/attention';
import { useHouseClock } from '../../store/clock';
import { useHouse } from '../../store/house';
import { useRestock } from '../../store/restock';
import { attentionWords, HARM_WORDS } from './restockWords';

/** What to attend to on the shelf, what harms most in front. */
export function useAttention(): readonly Attention[] {
  const house = useHouse();
  const restock = useRestock();
  const { now } = useHouseClock();
  return useMemo(() => attentionOf(house, restock, now), [house, restock, now]);
}

/** What to attend to, by the harm it does, each with the one thing to do. */
export function AttentionList({ items }: { readonly items: readonly Attention[] }) {
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
