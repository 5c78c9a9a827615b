import { PRICE_PART_TITLES, type PricePart } from '@bienestar/core/explain/explainPrice';
import type { Working } from '@bienestar/core/explain/working';
import type { ServicePrice } from '@bienestar/core/price/ladders';
import { money, moneyChange, percent } from '../../format/figures';
import { WorkedFigure } from '../../parts/working/WorkedFigure';

interface PriceSumProps {
  readonly price: ServicePrice;
  readonly openedGross: number | undefined;
  readonly currency: string;
  readonly working: (part: PricePart) => Working;
}

/** The price and what it leaves. */
export function PriceSum({ price, openedGross, currency, working }: PriceSumProps) {
  const change = openedGross === undefined ? 0 : price.gross - openedGross;
  const lines: readonly (readonly [PricePart, string])[] = [
    ['margin', percent(price.margin)],
    ['contribution', money(price.contribution, currency)],
    ['perRoomHour', `${money(price.perRoomHour, currency)}/h`],
  ];
  return (
    <div className="border-t-2 border-clay pt-3">
      <p className="flex items-baseline gap-2">
        <WorkedFigure
          label={PRICE_PART_TITLES.gross}
          text={money(price.gross, currency)}
          className="font-serif text-3xl"
          working={() => working('gross')}
        />
        <span className="text-sm text-ink-soft">
          price
          {change !== 0 && (
            <span className="text-clay"> ({moneyChange(change, currency)} since opened)</span>
          )}
        </span>
      </p>
      <dl className="mt-1 text-sm">
        {lines.map(([part, text]) => (
          <div key={part} className="flex justify-between py-0.5">
            <dt>{PRICE_PART_TITLES[part]}</dt>
            <dd>
              <WorkedFigure
                label={PRICE_PART_TITLES[part]}
                text={text}
                working={() => working(part)}
              />
            </dd>
          </div>
        ))}
      </dl>
    </div>
  );
}
