import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { menuMap, QUARTERS, type MapPlace, type MenuMap } from '@bienestar/core/figures/menuMap';
import { money, number } from '../../format/figures';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { useFigures, useHouse } from '../../store/house';
import { MenuHeader } from './MenuHeader';
import { adviceFor, QUARTER_TITLES, QUARTER_WORDS } from './quarterWords';

/** Which services earn and which are booked, and what to do about each. */
export function MenuMapPlace() {
  const house = useHouse();
  const figures = useFigures();
  const map = useMemo(() => menuMap(house, figures), [house, figures]);
  const [inHand, setInHand] = useState<string>();
  const { currency } = house.settings;
  return (
    <div className="flex h-full flex-col">
      <MenuHeader title="What earns, and what is booked">
        <p className="text-sm text-ink-soft">
          {map.lineIs === 'wanted' ? 'a room hour should bring' : 'a room hour brings on average'}{' '}
          {money(map.line, currency)}
        </p>
      </MenuHeader>
      {map.places.length === 0 ? (
        <div className="px-6 py-8">
          <EmptyPlace title="Nothing to place yet">
            Put a protocol on the menu and plan its visits: then it stands here by what its room
            hour brings and how often it is booked.
          </EmptyPlace>
        </div>
      ) : (
        <div className="columns-of-place lg:grid-cols-[1fr_29rem]">
          <div className="flex min-h-0 flex-col px-6 py-5">
            <Ground map={map} inHand={inHand} onTake={setInHand} currency={currency} />
          </div>
          <div className="flex min-h-0 flex-col gap-5 overflow-y-auto border-l border-line bg-sheet px-6 py-5">
            {QUARTERS.map((quarter) => (
              <section key={quarter} aria-labelledby={`quarter-${quarter}`}>
                <h2 id={`quarter-${quarter}`} className="text-lg">
                  {QUARTER_TITLES[quarter]}
                </h2>
                <p className="text-sm text-ink-soft">{QUARTER_WORDS[quarter]}</p>
                <ol className="mt-1">
                  {map.places.map((place, at) =>
                    place.quarter === quarter ? (
                      <Line
                        key={place.service.id}
                        place={place}
                        order={at + 1}
                        inHand={inHand === place.service.id}
                        onTake={setInHand}
                        map={map}
                        currency={currency}
                      />
                    ) : null,
                  )}
                </ol>
              </section>
            ))}
          </div>
        </div>
      )}
    </div>
  );
}

interface GroundProps {
  readonly map: MenuMap;
  readonly inHand: string | undefined;
  readonly onTake: (id: string) => void;
  readonly currency: string;
}

/** The map itself: visits to the right, what a room hour brings upwards. */
function Ground({ map, inHand, onTake, currency }: GroundProps) {
  const most =
    Math.max(map.often * 1.5, ...map.places.map(({ visitsPerWeek }) => visitsPerWeek)) * 1.08;
  const hours = map.places.map(({ perRoomHour }) => perRoomHour);
  const top = Math.max(map.line, ...hours) + Math.abs(map.line) * 0.12 + 1;
  const bottom = Math.min(map.line, ...hours) - Math.abs(map.line) * 0.12;
  const across = (visits: number): string => `${(visits / most) * 100}%`;
  const up = (perHour: number): string => `${((perHour - bottom) / (top - bottom)) * 100}%`;
  return (
    <>
      <p aria-hidden className="pb-1 text-xs text-ink-soft">
        ↑ a room hour brings
      </p>
      <div className="relative min-h-72 flex-1 border-b border-l border-line-strong">
        <span
          aria-hidden
          className="absolute inset-x-0 border-t-2 border-clay"
          style={{ bottom: up(map.line) }}
        >
          <span className="absolute right-0 -translate-y-full bg-paper px-1 text-sm text-clay">
            {money(map.line, currency)}
          </span>
        </span>
        <span
          aria-hidden
          className="absolute inset-y-0 border-l border-dashed border-line-strong"
          style={{ left: across(map.often) }}
        />
        {(
          [
            ['hidden', 'top-2 left-3'],
            ['carries', 'top-2 right-3'],
            ['rests', 'bottom-2 left-3'],
            ['toils', 'right-3 bottom-2'],
          ] as const
        ).map(([quarter, corner]) => (
          <span
            key={quarter}
            aria-hidden
            className={`absolute font-serif text-lg text-ink-soft italic ${corner}`}
          >
            {QUARTER_TITLES[quarter]}
          </span>
        ))}
        {map.places.map(({ service, visitsPerWeek, perRoomHour }, at) => (
          <button
            key={service.id}
            type="button"
            aria-pressed={inHand === service.id}
            aria-label={`${at + 1} ${service.name}: ${number(visitsPerWeek)} visits a week, ${money(perRoomHour, currency)} a room hour`}
            title={service.name}
            onClick={() => {
              onTake(service.id);
              document.getElementById(`map-${service.id}`)?.scrollIntoView({ block: 'nearest' });
            }}
            className={`absolute flex size-7 -translate-x-1/2 translate-y-1/2 items-center justify-center rounded-full border text-xs font-semibold ${inHand === service.id ? 'z-10 border-ink bg-clay text-on-fill' : 'border-palm bg-palm-wash text-ink hover:bg-sheet'}`}
            style={{ left: across(visitsPerWeek), bottom: up(perRoomHour) }}
          >
            {at + 1}
          </button>
        ))}
      </div>
      <p aria-hidden className="pt-1 text-right text-xs text-ink-soft">
        visits a week →
      </p>
    </>
  );
}

interface LineProps {
  readonly place: MapPlace;
  readonly order: number;
  readonly inHand: boolean;
  readonly onTake: (id: string) => void;
  readonly map: MenuMap;
  readonly currency: string;
}

function Line({ place, order, inHand, onTake, map, currency }: LineProps) {
  return (
    <li
      id={`map-${place.service.id}`}
      className={`flex gap-3 border-b border-line py-1.5 text-sm ${inHand ? 'bg-palm-wash' : ''}`}
      onMouseEnter={() => onTake(place.service.id)}
    >
      <span className="w-6 text-right text-ink-soft">{order}</span>
      <span className="min-w-0 flex-1">
        <Link
          to={`/menu/${place.service.id}/price`}
          className="font-semibold hover:text-clay hover:underline"
        >
          {place.service.name}
        </Link>
        <span className="block">{adviceFor(place, map, currency)}</span>
      </span>
      <span className="text-right whitespace-nowrap text-ink-soft">
        {number(place.visitsPerWeek)} a week
        <span className="block">{money(place.perRoomHour, currency)}/h</span>
      </span>
    </li>
  );
}
