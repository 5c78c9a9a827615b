import { ArrowLeft } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Versioned } from '@bienestar/contract/api';
import { costSpread } from '@bienestar/core/cost/costSpread';
import { costByStep } from '@bienestar/core/cost/costByStep';
import { wasteAndGifts } from '@bienestar/core/cost/wasteAndGifts';
import { addOnsOf, hostsOf } from '@bienestar/core/figures/addOns';
import { editionInUse } from '@bienestar/core/figures/serviceWork';
import type { ServiceFigures } from '@bienestar/core/figures/houseFigures';
import type { Pricing, Service } from '@bienestar/core/house/house';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { asId } from '@bienestar/core/house/ids';
import type { ServicePrice } from '@bienestar/core/price/ladders';
import { priceChange } from '@bienestar/core/price/priceChange';
import { priceFigures } from '@bienestar/core/price/priceOf';
import { retailOf } from '@bienestar/core/price/retail';
import { priceParts } from '@bienestar/core/price/priceParts';
import { variantsOf } from '@bienestar/core/price/variants';
import { money } from '../../format/figures';
import { Button } from '../../parts/Button';
import { NothingHere } from '../../parts/NothingHere';
import { Problems } from '../../parts/Problems';
import { useFigures, useHouse, useSnapshot } from '../../store/house';
import { useChange } from '../../store/useEditPart';
import { AddOnsList } from './AddOnsList';
import { CostSpreadTable } from './CostSpreadTable';
import { KindsOfClients } from './KindsOfClients';
import { CostBySteps } from './CostBySteps';
import { Earnings } from './Earnings';
import { Ladders } from './Ladders';
import { LimitingHour } from './LimitingHour';
import { OtherCounts } from './OtherCounts';
import { PriceChangeWords } from './PriceChangeWords';
import { PriceStrip } from './PriceStrip';
import { PricingFields } from './PricingFields';
import { explainedOf } from './workings';
import { SoldWithIt } from './SoldWithIt';
import { WasteAndGiftsLists } from './WasteAndGiftsLists';

/** One service: what it costs, where its price goes, and what three schools of pricing would charge. */
export function PricePlace() {
  const { serviceId = '' } = useParams();
  const snapshot = useSnapshot();
  const figures = useFigures().services.get(asId(serviceId));
  const service = snapshot.services.find((each) => each.id === serviceId);
  if (!service || !figures) return <NothingHere what="There is no such service on the menu." />;
  return <OpenPrice key={service.id} service={service} figures={figures} />;
}

interface OpenPriceProps {
  readonly service: Versioned<Service>;
  readonly figures: ServiceFigures;
}

function OpenPrice({ service, figures }: OpenPriceProps) {
  const house = useHouse();
  const change = useChange('services', service);
  const [pointed, setPointed] = useState<number>();
  const { settings } = house;
  const price = figures.price.ok ? figures.price.value : undefined;
  const put = (changes: Partial<Pricing>): Promise<string | undefined> =>
    change(({ pricing }) => ({ pricing: { by: 'cost-plus', ...pricing, ...changes } }));
  const charge = (ownMinor: number): void => {
    void put({ by: 'own', ownMinor }).then(() => setPointed(undefined));
  };
  return (
    <div className="flex h-full flex-col">
      <header className="flex min-h-14 shrink-0 flex-wrap items-center gap-x-3 border-b border-line px-6 py-1">
        <Link
          to={`/menu/${service.id}`}
          aria-label="Back to the menu"
          title="Back to the menu"
          className="inline-flex size-8 items-center justify-center rounded-sm text-ink-soft hover:bg-sunk"
        >
          <ArrowLeft aria-hidden size={18} />
        </Link>
        <h1 className="min-w-[75%] flex-1 truncate text-2xl md:min-w-0">{service.name}</h1>
        <Link to={`/menu/margins/${service.id}`} className="text-sm underline underline-offset-4">
          over time
        </Link>
        <Link to={`/menu/${service.id}/sets`} className="text-sm underline underline-offset-4">
          kit or bulk
        </Link>
        <span className="hidden text-sm text-ink-soft md:inline">cost and price of a visit</span>
      </header>
      <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <section
          aria-label="Where the price goes"
          className="flex min-h-0 flex-col gap-6 overflow-y-auto border-r border-line px-6 py-6"
        >
          <WhereItGoes service={service} figures={figures} pointed={pointed} />
        </section>
        <section
          aria-label="What to charge"
          className="flex min-h-0 flex-col gap-5 overflow-y-auto px-6 py-6"
        >
          {price ? (
            <>
              <Ladders
                price={price}
                pointed={pointed}
                endings={settings.priceEndings}
                currency={settings.currency}
                onPoint={setPointed}
                onCharge={charge}
              />
              {pointed !== undefined && pointed !== price.gross && (
                <Tried price={price} pointed={pointed} onCharge={() => charge(pointed)} />
              )}
              <PricingFields service={service} price={price} put={put} />
              <Earnings service={service} figures={figures} price={price} pointed={pointed} />
              <LimitingHour serviceId={service.id} />
            </>
          ) : (
            <>
              {!figures.price.ok && <Problems problems={figures.price.problems} />}
              <PricingFields service={service} price={undefined} put={put} />
            </>
          )}
        </section>
      </div>
    </div>
  );
}

interface WhereItGoesProps {
  readonly service: Service;
  readonly figures: ServiceFigures;
  readonly pointed: number | undefined;
}

function WhereItGoes({ service, figures, pointed }: WhereItGoesProps) {
  const house = useHouse();
  const { work, schedule, cost, rates, price } = figures;
  const { services, materials } = useFigures();
  const { currency, therapistCharge } = house.settings;
  const index = indexHouse(house);
  const inUse = useMemo(() => editionInUse(service, indexHouse(house), house), [service, house]);
  const hosts = hostsOf(service, house, ({ id }) => services.get(id));
  const explained = explainedOf(house, service, figures);
  const offered = addOnsOf(figures, house, ({ id }) => services.get(id));
  if (!work.ok || !schedule.ok || !cost.ok || !rates.ok) {
    const failed = [work, schedule, cost, rates].flatMap((each) => (each.ok ? [] : each.problems));
    return <Problems problems={failed} />;
  }
  const retail = retailOf(
    work.value,
    index.materials,
    new Map([...materials].map(([id, { unitCost }]) => [id, unitCost])),
    house.settings,
  );
  const tried =
    price.ok && pointed !== undefined
      ? priceFigures(pointed, price.value.load, house.settings, {})
      : price;
  return (
    <>
      <div className="flex flex-col gap-3">
        <h2 className="text-xl">
          {tried.ok ? `Where ${money(tried.value.gross, currency)} goes` : 'What a visit costs'}
        </h2>
        {tried.ok && <PriceStrip parts={priceParts(cost.value, tried.value)} currency={currency} />}
      </div>
      <WasteAndGiftsLists
        left={wasteAndGifts({
          protocol: work.value,
          schedule: schedule.value,
          cost: cost.value,
          rates: rates.value,
          materials: index.materials,
          mixes: index.mixes,
        })}
        currency={currency}
      />
      {tried.ok && price.ok && (
        <OtherCounts
          variants={variantsOf({
            schedule: schedule.value,
            cost: cost.value,
            rates: rates.value,
            gross: tried.value.gross,
            load: price.value.load,
            settings: house.settings,
          })}
          charge={therapistCharge}
          currency={currency}
        />
      )}
      {tried.ok && explained && (
        <CostSpreadTable
          explained={explained}
          spread={costSpread(cost.value, schedule.value, therapistCharge)}
          price={tried.value}
          currency={currency}
        />
      )}
      {inUse && price.ok && <KindsOfClients service={service} inUse={inUse} price={price.value} />}
      {hosts.length > 0 && (
        <p className="text-sm">
          May be offered within{' '}
          {hosts.map((host, at) => (
            <span key={host.id}>
              {at > 0 && ', '}
              <Link
                to={`/menu/${host.id}/price`}
                className="underline underline-offset-4 hover:text-clay"
              >
                {host.name}
              </Link>
            </span>
          ))}
          .
        </p>
      )}
      {offered.length > 0 && <AddOnsList addOns={offered} />}
      {retail.lines.length > 0 && <SoldWithIt retail={retail} currency={currency} />}
      <div className="flex flex-col gap-3">
        <h2 className="text-xl">Step by step</h2>
        <CostBySteps
          steps={costByStep(work.value, schedule.value, cost.value, rates.value, therapistCharge)}
          protocolId={work.value.id}
          currency={currency}
        />
      </div>
    </>
  );
}

interface TriedProps {
  readonly price: ServicePrice;
  readonly pointed: number;
  readonly onCharge: () => void;
}

/** What another price would mean, while it is pointed at. */
function Tried({ price, pointed, onCharge }: TriedProps) {
  const { settings } = useHouse();
  const tried = priceFigures(pointed, price.load, settings, {});
  if (!tried.ok) return <Problems problems={tried.problems} />;
  return (
    <div className="flex items-center gap-4 border-l-2 border-clay pl-3 text-sm">
      <PriceChangeWords
        change={priceChange(price, tried.value)}
        oneMore={priceChange(price.oneMore, tried.value.oneMore)}
        currency={settings.currency}
        belowFloor={pointed < price.floorGross}
      />
      {/* Before the slider loses the keyboard, or the price that is tried is gone. */}
      <Button onPointerDown={(event) => event.preventDefault()} onClick={onCharge}>
        Charge {money(pointed, settings.currency)}
      </Button>
    </div>
  );
}
