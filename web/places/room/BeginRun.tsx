import { nanoid } from '@reduxjs/toolkit';
import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { toSecond } from '@bienestar/core/days/instants';
import type { Client } from '@bienestar/core/house/client';
import type { PlacedVisit, Service } from '@bienestar/core/house/house';
import {
  asId,
  type BookingId,
  type PersonId,
  type RunId,
  type SoldCourseId,
} from '@bienestar/core/house/ids';
import type { Run } from '@bienestar/core/house/run';
import { coursesWithNext } from '@bienestar/core/restock/forecast';
import { guestOf, whoseRun } from '@bienestar/core/run/whoseRun';
import { guestOfRun, protocolOfRun, withAllThatMayBe } from '@bienestar/core/run/begun';
import { Button } from '../../parts/Button';
import { Problems } from '../../parts/Problems';
import { TextField } from '../../parts/TextField';
import { useHouseClock, useToday } from '../../store/clock';
import { useFigures, useHouse } from '../../store/house';
import { houseNow } from '../../store/runs/houseTime';
import { runKeeper } from '../../store/runs/useRun';
import { inUseOf, roomWorkOf } from '../card/roomWork';
import { ShownFor } from '../protocols/ShownFor';
import { clientOfService } from '../protocols/useShownService';
import { KnuckleButton } from './KnuckleButton';

interface BeginRunProps {
  readonly service: Service;
  readonly bookingId?: BookingId;
  /** in which room, by whom and for whom, where the house has said */
  readonly placed?: PlacedVisit;
  readonly onLeave: () => void;
}

/** Who performs it, for whom, and what the guest is like; then the tray. */
export function BeginRun({ service, bookingId, placed, onLeave }: BeginRunProps) {
  const house = useHouse();
  const { materials } = useFigures();
  const navigate = useNavigate();
  const [client, setClient] = useState<Client>(() => clientOfService(service));
  const clock = useHouseClock();
  const [by, setBy] = useState<PersonId | undefined>(() => whoseRun(house, service, placed, clock));
  const [guest, setGuest] = useState(() => guestOf(placed, house));
  const [courseId, setCourseId] = useState<SoldCourseId | undefined>(placed?.soldCourseId);
  const today = useToday();
  const courses = coursesWithNext(house, service.id, today);
  const work = useMemo(() => {
    const inUse = inUseOf(house, service.protocolId, 'edition');
    if (!inUse) return undefined;
    const first = roomWorkOf(house, materials, inUse, service, client);
    if (!first.ok) return first;
    return roomWorkOf(
      house,
      materials,
      inUse,
      service,
      withAllThatMayBe(client, first.value.written),
    );
  }, [client, house, materials, service]);
  /* Pressed twice it is one visit. */
  const isBegun = useRef(false);
  const begin = (): void => {
    if (!work?.ok || isBegun.current) return;
    isBegun.current = true;
    const { written, schedule } = work.value;
    const inUse = inUseOf(house, service.protocolId, 'edition');
    if (!inUse) return;
    const id = asId<RunId>(nanoid(16));
    const run: Run = {
      id,
      serviceId: service.id,
      protocolId: service.protocolId,
      protocol: protocolOfRun(inUse.protocol, written),
      visitKind: client.visitKind,
      slotMinutes: schedule.slotMinutes,
      at: toSecond(new Date(houseNow())),
      ...guestOfRun(client),
      ...(by && { performedBy: by }),
      ...(placed?.roomId && { roomId: placed.roomId }),
      ...(bookingId && { bookingId }),
      ...(courseId && { soldCourseId: courseId }),
      ...(guest.trim() !== '' && { guest: guest.trim() }),
    };
    runKeeper.begin(run);
    void navigate(`/room/${id}`);
  };
  const people = house.people.filter(({ id }) => service.therapistIds.includes(id));
  return (
    <div className="flex h-full flex-col">
      <div className="min-h-0 flex-1 overflow-y-auto px-4 py-5 sm:px-6">
        <h1 className="text-3xl">{service.name}</h1>
        <fieldset className="mt-4">
          <legend className="text-lg">Who performs it</legend>
          <div className="mt-1 flex flex-wrap gap-3">
            {people.map(({ id, name }) => (
              <KnuckleButton
                key={id}
                aria-pressed={by === id}
                look={by === id ? 'main' : 'plain'}
                onClick={() => setBy(id)}
              >
                {name}
              </KnuckleButton>
            ))}
          </div>
        </fieldset>
        <div className="mt-4 max-w-xs">
          <TextField label="Guest, by first name, if you like" value={guest} onCommit={setGuest} />
        </div>
        {courses.length > 0 && (
          <fieldset className="mt-4">
            <legend className="text-lg">A visit of a course that is paid for</legend>
            <div className="mt-1 flex flex-wrap gap-3">
              {[undefined, ...courses].map((course) => (
                <KnuckleButton
                  key={course?.id ?? 'none'}
                  aria-pressed={courseId === course?.id}
                  look={courseId === course?.id ? 'main' : 'plain'}
                  onClick={() => setCourseId(course?.id)}
                >
                  {course?.name ?? 'No course'}
                </KnuckleButton>
              ))}
            </div>
          </fieldset>
        )}
        <h2 className="mt-5 text-lg">What the guest is like</h2>
        <ShownFor
          client={client}
          written={work?.ok ? work.value.written : undefined}
          onChange={setClient}
        />
        {work && !work.ok && <Problems problems={work.problems} />}
      </div>
      <div className="flex gap-3 border-t border-line px-4 py-3 sm:px-6">
        <Button className="h-16 px-5 text-lg" onClick={onLeave}>
          Back
        </Button>
        <KnuckleButton look="main" className="flex-1" disabled={!work?.ok} onClick={begin}>
          To the tray
        </KnuckleButton>
      </div>
    </div>
  );
}
