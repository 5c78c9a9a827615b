import { X } from 'lucide-react';
import type { ServiceId } from '@bienestar/core/house/ids';
import { addOnsFor } from '@bienestar/core/week/day/addOnsHere';
import type { DayVisit } from '@bienestar/core/week/day/dayVisits';
import { money, number } from '../../../format/figures';
import { IconButton } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import type { DayInHand } from './useDay';

interface AddOnsOfVisitProps {
  readonly day: DayInHand;
  readonly visit: DayVisit;
}

/** What is worked within a visit, and what it may take along besides. */
export function AddOnsOfVisit({ day, visit }: AddOnsOfVisitProps) {
  const { house, figures } = day.of;
  const { addOnIds = [] } = visit;
  const more = addOnsFor(visit, house, figures);
  if (addOnIds.length === 0 && more.length === 0) return null;
  const take = (ids: readonly ServiceId[]): void => void day.place(visit, { addOnIds: ids });
  return (
    <section aria-label="Along with it" className="flex flex-col gap-1">
      {addOnIds.map((id) => {
        const name = house.services.find((service) => service.id === id)?.name ?? 'no longer there';
        return (
          <p key={id} className="flex items-center justify-between border-b border-line">
            <span>with {name}</span>
            <IconButton
              label={`Without ${name}`}
              onClick={() => take(addOnIds.filter((each) => each !== id))}
            >
              <X aria-hidden size={16} />
            </IconButton>
          </p>
        );
      })}
      {more.length > 0 && (
        <Choice
          label="Along with it"
          value=""
          placeholder="Take an add-on along"
          options={more.map(({ service, extraSlotMinutes, figures: { contribution } }) => ({
            value: service.id as string,
            label: `${service.name}, ${extraSlotMinutes > 0 ? `${number(extraSlotMinutes)} min longer` : 'in free hands'}, brings ${money(contribution, house.settings.currency)}`,
          }))}
          onChoose={(id) => take([...addOnIds, id as ServiceId])}
        />
      )}
    </section>
  );
}
