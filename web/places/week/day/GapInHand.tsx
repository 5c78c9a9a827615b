import { X } from 'lucide-react';
import { useMemo } from 'react';
import type { Span } from '@bienestar/core/house/house';
import type { RoomId } from '@bienestar/core/house/ids';
import { whatFits } from '@bienestar/core/week/day/fits';
import { addOnsHere } from '@bienestar/core/week/day/addOnsHere';
import { money, number } from '../../../format/figures';
import { IconButton } from '../../../parts/Button';
import { useFigures, useHouse } from '../../../store/house';
import { clock } from '../weekWords';
import type { DayInHand } from './useDay';

interface GapInHandProps {
  readonly day: DayInHand;
  readonly roomId: RoomId;
  readonly gap: Span;
  readonly onClose: () => void;
}

/** A gap of a room: what fits into it, and what that would bring. */
export function GapInHand({ day, roomId, gap, onClose }: GapInHandProps) {
  const house = useHouse();
  const { currency } = house.settings;
  const found = useMemo(
    () => whatFits(gap, roomId, { day: day.day, visits: day.visits, ready: day.ready }, day.of),
    [gap, roomId, day.day, day.visits, day.ready, day.of],
  );
  const figures = useFigures();
  const addOns = useMemo(
    () => addOnsHere(gap, roomId, day.visits, house, figures),
    [gap, roomId, day.visits, house, figures],
  );
  const room = house.rooms.find(({ id }) => id === roomId);
  return (
    <>
      <header className="flex items-start gap-2">
        <div className="flex-1">
          <h2 className="text-lg">What fits here?</h2>
          <p className="text-ink-soft">
            {room?.name}, {clock(gap.from)}–{clock(gap.to)}
          </p>
        </div>
        <IconButton label="Put it down" onClick={onClose}>
          <X aria-hidden size={16} />
        </IconButton>
      </header>
      {addOns.length > 0 && (
        <section>
          <h3 className="font-serif text-base">Along with the visit before</h3>
          <ul>
            {addOns.map(({ visit, addOn }) => (
              <li key={addOn.service.id}>
                <button
                  type="button"
                  className="block w-full border-b border-line px-1 py-1.5 text-left hover:bg-palm-wash"
                  onClick={() =>
                    void day.place(visit, {
                      addOnIds: [...(visit.addOnIds ?? []), addOn.service.id],
                    })
                  }
                >
                  <span className="flex justify-between gap-2">
                    <span>{addOn.service.name}</span>
                    <span>brings {money(addOn.figures.contribution, currency)}</span>
                  </span>
                  <span className="text-ink-soft">
                    within {visit.need.service.name},{' '}
                    {addOn.extraSlotMinutes > 0
                      ? `${number(addOn.extraSlotMinutes)} min longer`
                      : 'in hands that are free'}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {found.length === 0 ? (
        <p>Nothing of the menu: it is too short, or nobody who may is there.</p>
      ) : (
        <ul>
          {found.map(({ need, fit, contribution }) => (
            <li key={need.service.id}>
              <button
                type="button"
                className="block w-full border-b border-line px-1 py-1.5 text-left hover:bg-palm-wash"
                onClick={() =>
                  void day.place(
                    { key: '', name: '', need, starts: fit.starts },
                    {
                      starts: fit.starts,
                      roomId: fit.roomId ?? null,
                      therapistId: fit.therapistId ?? null,
                      assistantId: fit.assistantId ?? null,
                    },
                  )
                }
              >
                <span className="flex justify-between gap-2">
                  <span>{need.service.name}</span>
                  <span>brings {money(contribution, currency)}</span>
                </span>
                <span className="text-ink-soft">
                  from {clock(fit.starts)},{' '}
                  {house.people.find(({ id }) => id === fit.therapistId)?.name}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
