import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import {
  menuMap,
  QUARTERS,
  type MapPlace,
  type MenuMap,
  type Quarter,
} from '@bienestar/core/figures/menuMap';
import { along, placeOn, rangeOf, type Placed } from '../../figures/ground';
import { money, number } from '../../format/figures';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { useHeight, useWidth } from '../../parts/useWidth';
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

/** A mark, and what stands in for the size of the ground before it is drawn; pixels. */
const MARK = 28;
const UNDRAWN = { width: 640, height: 480 };

/** The map itself: visits to the right, what a room hour brings upwards. */
function Ground({ map, inHand, onTake, currency }: GroundProps) {
  const drawn = useRef<HTMLDivElement>(null);
  const width = useWidth(drawn) ?? UNDRAWN.width;
  const height = useHeight(drawn) ?? UNDRAWN.height;
  const ranges = {
    x: rangeOf(
      map.places.map(({ visitsPerWeek }) => visitsPerWeek),
      [0, map.often * 1.5],
    ),
    y: rangeOf(
      map.places.map(({ perRoomHour }) => perRoomHour),
      [map.line],
    ),
  };
  const points = map.places.map(({ visitsPerWeek, perRoomHour }) => ({
    x: visitsPerWeek,
    y: perRoomHour,
  }));
  const marks = placeOn(points, ranges, { width, height, mark: MARK });
  return (
    <>
      <p aria-hidden className="flex items-baseline justify-between gap-4 pr-20 pb-1 pl-1">
        <Corner quarter="hidden" />
        <span className="text-xs text-ink-soft">↑ a room hour brings</span>
        <Corner quarter="carries" />
      </p>
      <div className="flex min-h-72 flex-1">
        <div ref={drawn} className="relative min-w-0 flex-1 border-b border-l border-line-strong">
          <span
            aria-hidden
            className="absolute inset-x-0 translate-y-1/2 border-t-2 border-clay"
            style={{ bottom: along(map.line, ranges.y, height, MARK / 2) }}
          />
          <span
            aria-hidden
            className="absolute inset-y-0 border-l border-dashed border-line-strong"
            style={{ left: along(map.often, ranges.x, width, MARK / 2) }}
          />
          {map.places.map(({ service, visitsPerWeek, perRoomHour }, at) => (
            <Mark
              key={service.id}
              order={at + 1}
              at={marks[at]}
              name={service.name}
              words={`${number(visitsPerWeek)} visits a week, ${money(perRoomHour, currency)} a room hour`}
              inHand={inHand === service.id}
              onTake={() => {
                onTake(service.id);
                document.getElementById(`map-${service.id}`)?.scrollIntoView({ block: 'nearest' });
              }}
            />
          ))}
        </div>
        <div aria-hidden className="relative w-20">
          <span
            className="absolute left-1.5 translate-y-1/2 text-sm text-clay"
            style={{ bottom: along(map.line, ranges.y, height, MARK / 2) }}
          >
            {money(map.line, currency)}
          </span>
        </div>
      </div>
      <p aria-hidden className="flex items-baseline justify-between gap-4 pt-1 pr-20 pl-1">
        <Corner quarter="rests" />
        <span className="text-xs text-ink-soft">visits a week →</span>
        <Corner quarter="toils" />
      </p>
    </>
  );
}

function Corner({ quarter }: { readonly quarter: Quarter }) {
  return <span className="font-serif text-lg text-ink-soft italic">{QUARTER_TITLES[quarter]}</span>;
}

interface MarkProps {
  readonly order: number;
  readonly at: Placed | undefined;
  readonly name: string;
  readonly words: string;
  readonly inHand: boolean;
  readonly onTake: () => void;
}

/** A service on the map; at the edge with an arrow, where its figure lies beyond it. */
function Mark({ order, at, name, words, inHand, onTake }: MarkProps) {
  if (!at) return null;
  const isBeyond = at.beyond.x || at.beyond.y;
  return (
    <button
      type="button"
      aria-pressed={inHand}
      aria-label={`${order} ${name}: ${words}`}
      title={`${name}: ${words}`}
      onClick={onTake}
      className={`absolute flex size-7 -translate-x-1/2 translate-y-1/2 items-center justify-center rounded-full border text-xs font-semibold ${isBeyond ? 'border-dashed' : ''} ${inHand ? 'z-10 border-ink bg-clay text-on-fill' : 'border-palm bg-palm-wash text-ink hover:bg-sheet'}`}
      style={{ left: at.left, bottom: at.bottom }}
    >
      {order}
      {isBeyond && (
        <span
          aria-hidden
          className="absolute top-1/2 left-full ml-1 -translate-y-1/2 text-ink-soft"
        >
          {at.beyond.y ? '↑' : '→'}
        </span>
      )}
    </button>
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
