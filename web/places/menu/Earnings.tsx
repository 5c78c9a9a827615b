import type { ServiceFigures } from '@bienestar/core/figures/houseFigures';
import type { Working } from '@bienestar/core/explain/working';
import type { Service } from '@bienestar/core/house/house';
import type { ServicePrice } from '@bienestar/core/price/ladders';
import { priceFigures, type PriceFigures } from '@bienestar/core/price/priceOf';
import type { ReactNode } from 'react';
import { money, number, percent } from '../../format/figures';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useHouse } from '../../store/house';
import { STANDING_WORDS } from './ladderWords';
import { workingsOf, type MenuWorkings } from './workings';

interface EarningsProps {
  readonly service: Service;
  readonly figures: ServiceFigures;
  readonly price: ServicePrice;
  readonly pointed: number | undefined;
}

/** What the charged price leaves, or the one that is pointed at. */
export function Earnings({ service, figures, price, pointed }: EarningsProps) {
  const house = useHouse();
  const { currency } = house.settings;
  const tried =
    pointed === undefined ? undefined : priceFigures(pointed, price.load, house.settings, {});
  const of = tried?.ok ? tried.value : price;
  const workings = tried ? undefined : workingsOf(house, service, figures);
  const worked = (label: string, text: string, working: (() => Working) | undefined) =>
    working ? <WorkedFigure label={label} text={text} working={working} /> : text;
  const lines = [
    ['Margin', worked('Margin', percent(of.margin), workings?.margin)],
    [
      'Contribution',
      worked('Contribution', money(of.contribution, currency), workings?.contribution),
    ],
    [
      'Contribution per room hour',
      worked('Contribution per room hour', money(of.perRoomHour, currency), workings?.perRoomHour),
    ],
    [
      'Contribution per therapist hour',
      of.perTherapistHour === null
        ? '–'
        : worked(
            'Contribution per therapist hour',
            money(of.perTherapistHour, currency),
            workings?.perTherapistHour,
          ),
    ],
    [
      'Hands and things are paid from',
      worked('Hands and things are paid from', money(of.floorGross, currency), workings?.floor),
    ],
    [
      'Most that can be let off',
      worked(
        'Most that can be let off',
        percent(Math.max(0, 1 - of.floorGross / of.gross)),
        workings?.mostDiscount,
      ),
    ],
  ] as const;
  return (
    <section aria-labelledby="earnings" className="flex flex-col gap-2">
      <h2 id="earnings" className="text-xl">
        What is left
      </h2>
      <dl className="text-sm">
        {lines.map(([label, text]) => (
          <div key={label} className="flex justify-between border-b border-line py-1.5">
            <dt>{label}</dt>
            <dd>{text}</dd>
          </div>
        ))}
      </dl>
      <TwoRuns of={of} currency={currency} worked={worked} workings={workings} />
      {price.standing && !tried && (
        <p className="text-sm text-ink-soft">The price is {STANDING_WORDS[price.standing]}.</p>
      )}
    </section>
  );
}

interface TwoRunsProps {
  readonly of: PriceFigures;
  readonly currency: string;
  readonly worked: (label: string, text: string, working: (() => Working) | undefined) => ReactNode;
  readonly workings: MenuWorkings | undefined;
}

/** The short run beside the long run: what a guest adds while pay and rooms are owed anyhow, and what pays for all. */
function TwoRuns({ of, currency, worked, workings }: TwoRunsProps) {
  const visits = (label: string, count: number | null, working: (() => Working) | undefined) =>
    count === null ? 'never' : worked(label, number(Math.ceil(count), 0), working);
  const lines: readonly (readonly [string, ReactNode, ReactNode])[] = [
    [
      'Left of the price',
      worked(
        'What one more guest adds',
        money(of.oneMore.contribution, currency),
        workings?.oneMore,
      ),
      worked('What is left after everything', money(of.profit, currency), workings?.profit),
    ],
    [
      'Lowest price',
      worked(
        'One more guest: lowest price',
        money(Math.max(0, of.oneMore.floorGross), currency),
        workings?.oneMoreFloor,
      ),
      worked('Everything paid: lowest price', money(of.evenGross, currency), workings?.even),
    ],
    [
      'Visits a month',
      visits(
        'Visits a month that pay for one room and one therapist',
        of.oneMore.breakEvenVisits,
        workings?.oneMoreBreakEven,
      ),
      visits('Visits a month that pay for one room', of.breakEvenVisits, workings?.breakEven),
    ],
  ];
  return (
    <table className="mt-3 w-full text-sm">
      <caption className="pb-1 text-left text-sm text-ink-soft">
        One more guest: rooms, agreed hours and pay by the month are owed anyhow; visits pay for one
        room and one therapist. To pay everything: hands at what their paid time costs, and the
        room; visits pay for one room.
      </caption>
      <thead>
        <tr className="border-b border-line-strong">
          <td />
          <th scope="col" className="py-1.5 pl-3 text-right font-semibold">
            one more guest
          </th>
          <th scope="col" className="py-1.5 pl-3 text-right font-semibold">
            to pay everything
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map(([label, short, long]) => (
          <tr key={label} className="border-b border-line">
            <th scope="row" className="py-1.5 text-left font-normal">
              {label}
            </th>
            <td className="py-1.5 pl-3 text-right">{short}</td>
            <td className="py-1.5 pl-3 text-right">{long}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
