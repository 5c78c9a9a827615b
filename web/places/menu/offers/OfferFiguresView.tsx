import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { explainOfferMargin, explainOfferPrice } from '@bienestar/core/explain/explainOffer';
import type { Offer } from '@bienestar/core/house/house';
import type { CourseFigures } from '@bienestar/core/offer/courseFigures';
import { spacingFaults } from '@bienestar/core/offer/courseSpacing';
import type { OfferFigures } from '@bienestar/core/offer/offerFigures';
import { amount, money, number, percent } from '../../../format/figures';
import { Fold } from '../../../parts/Fold';
import { WorkedFigure } from '../../../parts/working/WorkedFigure';
import { useHouse } from '../../../store/house';
import { leftOutWords, missedWords, offerWarnings } from './offerWords';

interface OfferFiguresViewProps {
  readonly offer: Offer;
  readonly figures: OfferFigures;
}

/** What an offer comes to: price, margin, what it saves or promises, and what to look at again. */
export function OfferFiguresView({ offer, figures }: OfferFiguresViewProps) {
  const house = useHouse();
  const { currency } = house.settings;
  const { price } = figures;
  const lines: (readonly [string, ReactNode])[] = [
    ['One by one', money(price.listGross, currency)],
    [
      'Price',
      <WorkedFigure
        key="price"
        label="Price"
        text={money(price.gross, currency)}
        working={() => explainOfferPrice(offer, figures, house)}
      />,
    ],
    ['Let off', percent(price.letOff)],
    ['Most that can be let off', percent(price.mostDiscount)],
    ['Contribution', money(price.contribution, currency)],
    ['Contribution per room hour', money(price.perRoomHour, currency)],
    [
      'Margin of the whole',
      <WorkedFigure
        key="margin"
        label="Margin of the whole"
        text={percent(price.margin)}
        working={() => explainOfferMargin(offer, figures, house)}
      />,
    ],
    ...ownLines(figures, currency),
  ];
  return (
    <section aria-label="What it comes to" className="flex flex-col gap-2">
      {[
        ...offerWarnings(figures),
        ...(offer.kind === 'course' ? spacingFaults(offer, house) : []),
      ].map((warning) => (
        <p key={warning} className="border-l-2 border-clay pl-3 text-sm text-clay">
          ▲ {warning}
        </p>
      ))}
      <dl className="grid grid-cols-2 gap-x-10 text-sm">
        {lines.map(([label, text]) => (
          <div key={label} className="flex justify-between gap-4 border-b border-line py-1.5">
            <dt>{label}</dt>
            <dd className="text-right">{text}</dd>
          </div>
        ))}
      </dl>
      {figures.kind === 'package' && (
        <p className="text-sm text-ink-soft">
          {leftOutWords(figures)} Performed by{' '}
          {figures.performers.map(({ name }) => name).join(', ')}.
        </p>
      )}
      {figures.kind === 'course' && <Promised figures={figures} />}
    </section>
  );
}

function ownLines(figures: OfferFigures, currency: string): (readonly [string, string])[] {
  switch (figures.kind) {
    case 'course':
      return [
        ['A visit', money(figures.perVisit, currency)],
        ...figures.lines.map(({ visits, full, slotMinutes }): readonly [string, string] => [
          `Costs, ${visits.visitKind === 'first' ? 'first visit' : 'later visit'}`,
          `${money(full, currency)}, slot of ${number(slotMinutes, 0)} min`,
        ]),
        ['First to last visit', `${number(figures.lastsDays, 0)} days`],
        ['A missed visit, made up', missedWords(figures, 'made-up', currency)],
        ['A missed visit, lost', missedWords(figures, 'lost', currency)],
      ];
    case 'package':
      return [
        [
          'Slot',
          `${number(figures.slotMinutes, 0)} min, one by one ${number(figures.singleSlotMinutes, 0)}`,
        ],
        [
          'Full cost',
          `${money(figures.fullCost, currency)}, one by one ${money(figures.singleFullCost, currency)}`,
        ],
      ];
    case 'duo':
      return [
        ['Both are done within', `${number(figures.slotMinutes, 0)} min`],
        [
          'Full cost',
          `${money(figures.fullCost, currency)}, one by one ${money(figures.singleFullCost, currency)}`,
        ],
      ];
  }
}

function Promised({ figures }: { readonly figures: CourseFigures }) {
  const { materials } = useHouse();
  const promised = materials.flatMap((material) => {
    const consumed = figures.promised.get(material.id);
    return consumed && material.kind !== 'linen' ? [{ material, consumed }] : [];
  });
  return (
    <Fold
      title="What one sale promises"
      summary={`${number(figures.promisedMinutes, 0)} room minutes, ${number(promised.length)} materials`}
    >
      <ul className="text-sm">
        {promised.map(({ material, consumed }) => (
          <li key={material.id} className="flex justify-between border-b border-line py-1">
            <Link to={`/shelf/${material.id}`} className="hover:text-clay hover:underline">
              {material.name}
            </Link>
            {amount(consumed.usual, material.unit)}
          </li>
        ))}
      </ul>
    </Fold>
  );
}
