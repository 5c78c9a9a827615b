import type { ServiceFigures } from '@bienestar/core/figures/houseFigures';
import type { Working } from '@bienestar/core/explain/working';
import type { Service } from '@bienestar/core/house/house';
import type { ServicePrice } from '@bienestar/core/price/ladders';
import { priceFigures } from '@bienestar/core/price/priceOf';
import { money, number, percent } from '../../format/figures';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useHouse } from '../../store/house';
import { STANDING_WORDS } from './ladderWords';
import { workingsOf } from './workings';

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
      'Visits a month that pay for one room',
      of.breakEvenVisits === null
        ? 'never'
        : worked(
            'Visits a month that pay for one room',
            number(Math.ceil(of.breakEvenVisits), 0),
            workings?.breakEven,
          ),
    ],
    [
      'A visit loses money below',
      worked('A visit loses money below', money(of.floorGross, currency), workings?.floor),
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
      {price.standing && !tried && (
        <p className="text-sm text-ink-soft">The price is {STANDING_WORDS[price.standing]}.</p>
      )}
    </section>
  );
}
