import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { FormFault } from '../../../parts/FormFault';
import { toast } from '../../../parts/toast';
import type { Performed } from '@bienestar/contract/happened';
import type { Booking, Treatment } from '@bienestar/core/house/house';
import { asId, type ServiceId } from '@bienestar/core/house/ids';
import { bookedService, bookingNames } from '@bienestar/core/restock/forecast';
import { toEnter, usesOfTreatment } from '@bienestar/core/restock/performed';
import { counted, momentText } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { useFigures, useHouse } from '../../../store/house';
import { useHouseClock } from '../../../store/clock';
import { WaitingHere } from '../../../parts/waiting/WaitingHere';
import { useTakeBackMutation } from '../../../store/restockApi';
import { outbox } from '../../../store/store';
import { entered, newEntryId } from '../../../store/useEnter';

const MOST_SHOWN = 12;

/** Visits of the book that have passed: entered as performed, they draw from the shelf. */
export function PerformedPanel() {
  const house = useHouse();
  const figures = useFigures();
  const { now, timeZone } = useHouseClock();
  const [isBusy, setIsBusy] = useState(false);
  const [takeBack] = useTakeBackMutation();
  const [fault, setFault] = useState<string>();
  const names = bookingNames(house);
  const waiting = toEnter(house, names, now);
  const nameOf = (id: ServiceId): string =>
    house.services.find((service) => service.id === id)?.name ?? 'no longer on the menu';
  const enter = async (booking: Booking): Promise<void> => {
    const serviceId = bookedService(booking.title, names);
    const service = house.services.find(({ id }) => id === serviceId);
    if (!service) return;
    const treatment: Treatment = {
      id: asId(nanoid(16)),
      serviceId: service.id,
      at: booking.at,
      visitKind: service.visitKind,
      bookingId: booking.id,
      entryIds: [],
    };
    const uses = usesOfTreatment(treatment, house, figures, newEntryId);
    setIsBusy(true);
    const outcome = await outbox.put({ kind: 'visit', treatment, uses }, service.name).tried;
    setIsBusy(false);
    const end = entered(outcome);
    setFault(end.ok ? undefined : end.message);
    if (outcome.is !== 'done') return;
    const { missing } = outcome.data as Performed;
    toast.success(
      missing.length === 0
        ? `${service.name} is entered.`
        : `${service.name} is entered; ${counted(missing.length, 'material')} had less on the shelf than it takes: count them.`,
      {
        action: {
          label: 'Undo',
          onClick: () => void takeBack(treatment.id),
        },
      },
    );
  };
  return (
    <>
      {waiting.length === 0 && (
        <p className="text-sm text-ink-soft">
          Every visit of the book that has passed is entered. What was performed otherwise is drawn
          from the shelf under its material.
        </p>
      )}
      <FormFault fault={fault} />
      <WaitingHere isHere={({ change }) => change.kind === 'visit'} />
      <ul>
        {waiting.slice(0, MOST_SHOWN).map(({ booking, serviceId }) => (
          <li
            key={booking.id}
            className="flex items-center gap-3 border-b border-line py-1.5 text-sm"
          >
            <span className="w-28 text-ink-soft">{momentText(booking.at, timeZone)}</span>
            <span className="min-w-0 flex-1">{nameOf(serviceId)}</span>
            <Button
              disabled={isBusy}
              aria-label={`Performed: ${nameOf(serviceId)}, ${momentText(booking.at, timeZone)}`}
              onClick={() => void enter(booking)}
            >
              Performed
            </Button>
          </li>
        ))}
      </ul>
      {waiting.length > MOST_SHOWN && (
        <p className="text-sm text-ink-soft">
          and {counted(waiting.length - MOST_SHOWN, 'visit')} more
        </p>
      )}
    </>
  );
}
