import { Plus } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Offer } from '@bienestar/core/house/house';
import type { Outcome } from '@bienestar/core/problem/problem';
import { createOfferCalculator, type OfferFigures } from '@bienestar/core/offer/offerFigures';
import { money, number, percent } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { EmptyPlace } from '../../../parts/EmptyPlace';
import { Problems } from '../../../parts/Problems';
import { CELL_LOOK, PlaceTable, rowLook } from '../../../parts/PlaceTable';
import { figures, names } from '../../../parts/TableHead';
import { useFigures, useHouse, useSnapshot } from '../../../store/house';
import { useAddAndRemove } from '../../../store/useEditPart';
import { MenuHeader } from '../MenuHeader';
import { newOffer } from './newOffer';
import { OfferFiguresView } from './OfferFiguresView';
import { OfferPanel } from './OfferPanel';
import { OFFER_KINDS, offerSummary, offerWarnings } from './offerWords';

const COLUMNS = [
  ...names('Offer'),
  ...figures('One by one', 'Price', 'Let off', 'Room minutes', 'Margin', 'Per room hour'),
];
const KINDS = Object.keys(OFFER_KINDS) as Offer['kind'][];
const calculate = createOfferCalculator();

/** What is sold beyond single services: courses, packages, visits for two. */
export function OffersPlace() {
  const house = useHouse();
  const figures = useFigures();
  const { offers } = useSnapshot();
  const { offerId } = useParams();
  const navigate = useNavigate();
  const { add, busy } = useAddAndRemove('offers');
  const counted = useMemo(
    () => new Map(offers.map((offer) => [offer.id, calculate(offer, house, figures)])),
    [offers, house, figures],
  );
  const chosen = offers.find(({ id }) => id === offerId) ?? offers[0];
  const ofChosen = chosen && counted.get(chosen.id);
  const begin = async (kind: Offer['kind']): Promise<void> => {
    const made = newOffer(kind, house.services);
    if (made && (await add(made))) await navigate(`/menu/offers/${made.id}`);
  };
  return (
    <div className="flex h-full flex-col">
      <MenuHeader title="Courses and packages">
        {KINDS.map((kind) => (
          <Button
            key={kind}
            disabled={busy || house.services.length === 0}
            onClick={() => void begin(kind)}
          >
            <Plus aria-hidden size={16} /> {OFFER_KINDS[kind]}
          </Button>
        ))}
      </MenuHeader>
      {!chosen || !ofChosen ? (
        <div className="px-6 py-8">
          <EmptyPlace title="Nothing is sold together yet">
            {house.services.length === 0
              ? 'Put a protocol on the menu first; then its visits can be sold as a course.'
              : 'Sell several visits as a course, two services as a package, or a visit for two: what falls away and what it leaves is counted.'}
          </EmptyPlace>
        </div>
      ) : (
        <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_26rem]">
          <div className="flex min-h-0 flex-col">
            <div className="flex max-h-1/2 shrink-0 flex-col">
              <PlaceTable label="Offers" columns={COLUMNS}>
                <tbody>
                  {offers.map((offer) => (
                    <OfferRow
                      key={offer.id}
                      offer={offer}
                      counted={counted.get(offer.id)}
                      chosen={offer.id === chosen.id}
                    />
                  ))}
                </tbody>
              </PlaceTable>
            </div>
            <div
              className="min-h-0 flex-1 overflow-y-auto border-t border-line-strong px-6 py-4"
              tabIndex={0}
              role="group"
              aria-label={chosen.name}
            >
              {ofChosen.ok ? (
                <OfferFiguresView offer={chosen} figures={ofChosen.value} />
              ) : (
                <Problems problems={ofChosen.problems} />
              )}
            </div>
          </div>
          <aside
            aria-label="In hand"
            className="min-h-0 overflow-y-auto border-l border-line bg-sheet"
          >
            <OfferPanel key={chosen.id} offer={chosen} />
          </aside>
        </div>
      )}
    </div>
  );
}

interface OfferRowProps {
  readonly offer: Offer;
  readonly counted: Outcome<OfferFigures> | undefined;
  readonly chosen: boolean;
}

function OfferRow({ offer, counted, chosen }: OfferRowProps) {
  const { settings, services } = useHouse();
  const { currency } = settings;
  const nameOf = (id: string): string =>
    services.find((service) => service.id === id)?.name ?? 'no longer on the menu';
  return (
    <tr className={`${rowLook(chosen)} text-right`}>
      <td className={`${CELL_LOOK} text-left`}>
        <Link
          to={`/menu/offers/${offer.id}`}
          aria-current={chosen ? 'true' : undefined}
          className="font-serif text-lg leading-tight break-words hover:text-clay hover:underline"
        >
          {offer.name}
        </Link>
        <span className="block text-ink-soft">
          {OFFER_KINDS[offer.kind]}: {offerSummary(offer, nameOf)}
        </span>
      </td>
      {counted?.ok === true ? (
        <Figures figures={counted.value} currency={currency} />
      ) : (
        <td colSpan={6} className={`${CELL_LOOK} text-left text-clay`}>
          ▲ {counted?.problems[0]?.message ?? 'cannot be counted yet'}
        </td>
      )}
    </tr>
  );
}

function Figures({
  figures,
  currency,
}: {
  readonly figures: OfferFigures;
  readonly currency: string;
}) {
  const { price } = figures;
  const warned = offerWarnings(figures).length > 0;
  return (
    <>
      <td className={`${CELL_LOOK} text-ink-soft`}>{money(price.listGross, currency)}</td>
      <td className={`${CELL_LOOK} font-serif text-lg`}>{money(price.gross, currency)}</td>
      <td className={CELL_LOOK}>{percent(price.letOff)}</td>
      <td className={CELL_LOOK}>{number(roomMinutes(figures), 0)}</td>
      <td className={`${CELL_LOOK} ${warned ? 'text-clay' : ''}`}>
        {warned && '▲ '}
        {percent(price.margin)}
      </td>
      <td className={CELL_LOOK}>{money(price.perRoomHour, currency)}</td>
    </>
  );
}

function roomMinutes(figures: OfferFigures): number {
  switch (figures.kind) {
    case 'course':
      return figures.promisedMinutes;
    case 'package':
      return figures.slotMinutes;
    case 'duo':
      return figures.roomMinutes;
  }
}
