import { ArrowLeft, ArrowRight } from 'lucide-react';
import { Link } from 'react-router';
import { exampleVisit } from '@bienestar/core/figures/exampleVisit';
import type { Outcome } from '@bienestar/core/problem/problem';
import { money, number, unitMoney } from '../../format/figures';
import { Problems } from '../../parts/Problems';
import { useHouse } from '../../store/house';
import { QUESTIONS } from './setUpQuestions';

const LINK_LOOK =
  'inline-flex h-9 items-center gap-2 rounded-sm border px-3.5 text-sm font-semibold';

interface SetUpPlaceProps {
  /** in the address, counted from 1 */
  readonly question: string;
}

/** A house set up with ten questions, and what the answers come to so far. */
export function SetUpPlace({ question }: SetUpPlaceProps) {
  const at = Math.min(QUESTIONS.length, Math.max(1, Math.trunc(Number(question)) || 1));
  const asked = QUESTIONS[at - 1];
  if (!asked) return null;
  const { ask, why, Answer } = asked;
  return (
    <div className="columns-of-place h-full lg:grid-cols-[minmax(0,1fr)_24rem]">
      <section
        aria-label={`Question ${at} of ${QUESTIONS.length}`}
        className="flex min-h-0 flex-col gap-6 overflow-y-auto px-16 py-10"
      >
        <p className="flex items-center gap-4 text-sm text-ink-soft">
          Question {at} of {QUESTIONS.length}
          <span aria-hidden className="flex gap-1">
            {QUESTIONS.map(({ ask: each }, which) => (
              <span
                key={each}
                className={`h-1.5 w-5 ${which < at ? 'bg-palm' : 'bg-line-strong/40'}`}
              />
            ))}
          </span>
        </p>
        <h1 className="text-3xl">{ask}</h1>
        <p className="max-w-prose text-ink-soft">{why}</p>
        <div key={at} className="flex max-w-xl flex-col gap-4">
          <Answer />
        </div>
        <nav aria-label="Questions" className="flex items-center gap-3 pt-4">
          {at > 1 && (
            <Link
              to={`/house/set-up/${at - 1}`}
              className={`${LINK_LOOK} border-line-strong bg-sheet hover:bg-sunk`}
            >
              <ArrowLeft aria-hidden size={16} /> Back
            </Link>
          )}
          <Link
            to={at < QUESTIONS.length ? `/house/set-up/${at + 1}` : '/house'}
            className={`${LINK_LOOK} border-palm bg-palm text-on-fill hover:brightness-110`}
          >
            {at < QUESTIONS.length ? 'Next' : 'To the house'} <ArrowRight aria-hidden size={16} />
          </Link>
          <Link to="/house" className="ml-auto text-sm underline underline-offset-4">
            All figures at once
          </Link>
        </nav>
      </section>
      <SoFar />
    </div>
  );
}

/** What the answers come to so far. */
function SoFar() {
  const house = useHouse();
  const { currency } = house.settings;
  const { minutes, therapistPerMinute, roomPerMinute, price } = exampleVisit(house);
  const perMinute = (rate: Outcome<number>): string =>
    rate.ok ? unitMoney(rate.value, currency) : '–';
  const lines: readonly (readonly [string, string])[] = [
    ['A minute of a therapist', perMinute(therapistPerMinute)],
    ['A minute of a room', perMinute(roomPerMinute)],
    ...(price.ok
      ? ([
          [
            `${number(minutes)} minutes of both`,
            money(price.value.load.directCost + price.value.load.roomCost, currency),
          ],
          ['Tax in the price', money(price.value.gross - price.value.net, currency)],
          ['Commission and card', money(price.value.fees, currency)],
          ...(price.value.sharedPay > 0
            ? ([['Pay by the price', money(price.value.sharedPay, currency)]] as const)
            : []),
          ['Left of it', money(price.value.profit, currency)],
        ] as const)
      : []),
  ];
  return (
    <aside
      aria-label="What it comes to so far"
      className="flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-line bg-sheet px-6 py-10"
    >
      <h2 className="text-xl">What it comes to</h2>
      <p className="text-sm text-ink-soft">
        An hour at a guest, before anything is drawn from the shelf.
      </p>
      <dl className="text-sm">
        {lines.map(([label, text]) => (
          <div key={label} className="flex justify-between border-b border-line py-1.5">
            <dt>{label}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
      {price.ok ? (
        <p className="font-serif text-lg" role="status">
          would be charged {money(price.value.gross, currency)}
        </p>
      ) : (
        <Problems problems={price.problems} />
      )}
    </aside>
  );
}
