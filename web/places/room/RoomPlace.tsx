import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { House, PlacedVisit, Service } from '@bienestar/core/house/house';
import type { BookingId } from '@bienestar/core/house/ids';
import { toFollowUp } from '@bienestar/core/run/incidents';
import { bookedToday } from '@bienestar/core/run/bookedToday';
import { dayText, momentText } from '../../format/figures';
import { EarlierButton } from '../../parts/EarlierButton';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { useHouseClock, useTimeZone } from '../../store/clock';
import {
  useClosedRunsInfiniteQuery,
  useIncidentsQuery,
  useOpenRunsQuery,
} from '../../store/happenedApi';
import { useHouse } from '../../store/house';
import { takeAlong } from '../../store/runs/offline';
import { useRunsHere } from '../../store/runs/useRun';
import { BeginRun } from './BeginRun';
import { NotFitting } from '../week/NotFitting';

interface Chosen {
  readonly service: Service;
  readonly bookingId?: BookingId;
  readonly placed?: PlacedVisit;
}

const TILE =
  'flex min-h-16 w-full items-center gap-4 rounded-md border-2 border-line-strong bg-sheet px-4 py-2 text-left text-lg';

/** The treatment room: what goes on, what the book has for today, and any service at all. */
export function RoomPlace() {
  const house = useHouse();
  const clock = useHouseClock();
  const { data } = useOpenRunsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [chosen, setChosen] = useState<Chosen>();
  useEffect(takeAlong, []);
  const here = useRunsHere();
  const booked = bookedToday(house, clock);
  const nameOf = (id: string): string =>
    house.services.find((service) => service.id === id)?.name ?? 'a service that is gone';
  const { editions } = house;
  const onMenu = house.services.filter(({ protocolId }) =>
    editions.some((edition) => edition.protocolId === protocolId),
  );
  /* What the house knows, and what this tablet has not been able to tell it yet. */
  const known = new Set(data?.runs.map(({ id }) => id));
  const goingOn = [...(data?.runs ?? []), ...here.filter(({ id }) => !known.has(id))];
  if (chosen) return <BeginRun {...chosen} onLeave={() => setChosen(undefined)} />;
  return (
    <div className="flex h-full flex-col overflow-y-auto px-4 py-5 sm:px-6">
      <h1 className="text-3xl">Treatment room</h1>
      {goingOn.length > 0 && (
        <section aria-label="Going on" className="mt-4">
          <h2 className="text-xl">Going on</h2>
          <ul className="mt-2 grid gap-2 lg:grid-cols-2">
            {goingOn.map(({ id, serviceId, guest, at }) => (
              <li key={id}>
                <Link to={`/room/${id}`} className={`${TILE} border-palm`}>
                  <span className="text-ink-soft">{momentText(at, clock.timeZone)}</span>
                  <span className="min-w-0 flex-1">{nameOf(serviceId)}</span>
                  {guest}
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
      <FollowUps />
      <section aria-label="In the book for today" className="mt-5">
        <h2 className="text-xl">In the book for today</h2>
        {booked.length === 0 && (
          <p className="mt-1 text-ink-soft">Nothing that has not been entered yet.</p>
        )}
        <ul className="mt-2 grid gap-2 lg:grid-cols-2">
          {booked.map(({ booking, service, placed }) => (
            <li key={booking.id}>
              <button
                type="button"
                className={TILE}
                onClick={() => setChosen({ service, bookingId: booking.id, placed })}
              >
                <span className="text-ink-soft">{momentText(booking.at, clock.timeZone)}</span>
                <span className="min-w-0 flex-1">
                  {service.name}
                  {placed && (
                    <span className="block text-sm text-ink-soft">{placeWords(placed, house)}</span>
                  )}
                </span>
              </button>
            </li>
          ))}
        </ul>
        <NotFitting />
      </section>
      <section aria-label="Any service" className="mt-5">
        <h2 className="text-xl">Any service</h2>
        {onMenu.length === 0 ? (
          <EmptyPlace title="No service can be run yet">
            Publish the protocol of a service: what is run in the room is what was published.
          </EmptyPlace>
        ) : (
          <ul className="mt-2 grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
            {onMenu.map((service) => (
              <li key={service.id}>
                <button type="button" className={TILE} onClick={() => setChosen({ service })}>
                  {service.name}
                </button>
              </li>
            ))}
          </ul>
        )}
      </section>
      <RunsThatAreOver nameOf={nameOf} />
    </div>
  );
}

/** In which room, by whom and for whom a visit is placed. */
function placeWords({ roomId, therapistId, name }: PlacedVisit, { rooms, people }: House): string {
  return [
    rooms.find(({ id }) => id === roomId)?.name,
    people.find(({ id }) => id === therapistId)?.name,
    name,
  ]
    .filter((word) => word !== undefined && word !== '')
    .join(', ');
}

/** Guests of whom somebody has to ask how it is. */
function FollowUps() {
  const { data } = useIncidentsQuery(undefined, { refetchOnMountOrArgChange: true });
  const due = toFollowUp(data?.events ?? []);
  if (due.length === 0) return null;
  return (
    <section aria-label="To ask after" className="mt-4">
      <h2 className="text-xl">To ask after</h2>
      <ul className="mt-1">
        {due.map(({ runId, incident, on }) => (
          <li key={incident.id} className="border-b border-line">
            <Link to={`/room/${runId}`} className="flex min-h-11 items-center gap-4 text-base">
              <span className="w-36 font-semibold text-clay">▲ {dayText(on)}</span>
              {[...incident.seen, incident.words].filter(Boolean).join(', ')}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Visits that were run, the newest first: planned beside done. */
function RunsThatAreOver({ nameOf }: { readonly nameOf: (id: string) => string }) {
  const timeZone = useTimeZone();
  const { data, hasNextPage, fetchNextPage } = useClosedRunsInfiniteQuery(undefined, {
    refetchOnMountOrArgChange: true,
  });
  const runs = data?.pages.flatMap((page) => page.runs) ?? [];
  if (runs.length === 0) return null;
  return (
    <section aria-label="Over" className="mt-5">
      <h2 className="text-xl">Over</h2>
      <ul className="mt-2">
        {runs.map(({ id, serviceId, guest, at }) => (
          <li key={id} className="border-b border-line">
            <Link to={`/room/${id}`} className="flex min-h-11 items-center gap-4 text-base">
              <span className="w-36 text-ink-soft">{momentText(at, timeZone)}</span>
              <span className="min-w-0 flex-1">{nameOf(serviceId)}</span>
              {guest}
            </Link>
          </li>
        ))}
      </ul>
      <EarlierButton onRead={hasNextPage ? () => void fetchNextPage() : undefined} />
    </section>
  );
}
