import type { Leaving, LeavingLine, WasteAndGifts } from '@bienestar/core/cost/wasteAndGifts';
import { explainLeaving } from '@bienestar/core/explain/explainLeaving';
import { money } from '../../format/figures';
import { WorkedFigure } from '../../parts/working/WorkedFigure';

const WHY_WORDS: Record<Leaving, string> = {
  bowl: 'stays in the bowl',
  pack: 'left in an opened pack',
  'open-life': 'open too long, as planned',
  gift: 'to take home',
  talk: 'time to talk',
};

/** What a visit throws away and what it gives, of its cost. */
export function WasteAndGiftsLists({
  left,
  currency,
}: {
  readonly left: WasteAndGifts;
  readonly currency: string;
}) {
  return (
    <div className="grid grid-cols-2 gap-8">
      <List title="Thrown away" sum={left.wasteMinor} lines={left.waste} currency={currency}>
        Nothing is lost in a visit.
      </List>
      <List title="Given" sum={left.giftsMinor} lines={left.gifts} currency={currency}>
        Nothing is given beyond the work.
      </List>
    </div>
  );
}

interface ListProps {
  readonly title: string;
  readonly sum: number;
  readonly lines: readonly LeavingLine[];
  readonly currency: string;
  /** where there is nothing */
  readonly children: string;
}

function List({ title, sum, lines, currency, children }: ListProps) {
  return (
    <section aria-label={title} className="flex flex-col gap-1">
      <h2 className="flex items-baseline justify-between text-xl">
        {title}
        <WorkedFigure
          label={title}
          text={money(sum, currency)}
          className="font-serif"
          working={() =>
            explainLeaving(
              title,
              'Everything in the list below it, added up; all of it is in the cost of the visit.',
              lines,
              sum,
              ({ name, why }) => `${name}, ${WHY_WORDS[why]}`,
            )
          }
        />
      </h2>
      {lines.length === 0 && <p className="text-sm text-ink-soft">{children}</p>}
      <ul className="text-sm">
        {lines.map(({ why, name, minor }) => (
          <li
            key={`${why} ${name}`}
            className="flex items-baseline justify-between gap-3 border-b border-line py-1.5"
          >
            <span className="min-w-0">
              {name} <span className="text-ink-soft">{WHY_WORDS[why]}</span>
            </span>
            {money(minor, currency)}
          </li>
        ))}
      </ul>
    </section>
  );
}
