import { useState } from 'react';
import type { ServiceId } from '@bienestar/core/house/ids';
import { Choice } from '../../../parts/Choice';
import { TextField } from '../../../parts/TextField';
import { Button } from '../../../parts/Button';
import { keyInHand } from '@bienestar/core/week/day/dayVisits';
import { savedBy } from '@bienestar/core/week/day/sharedWork';
import { conflictWords, sharedWords } from './conflictWords';
import type { DayInHand } from './useDay';
import { WhereItFits } from './WhereItFits';

interface NothingInHandProps {
  readonly day: DayInHand;
  readonly onTake: (key: string) => void;
}

/** What of the day does not fit, what is due and not placed, and a visit more. */
export function NothingInHand({ day, onTake }: NothingInHandProps) {
  const { house, figures } = day.of;
  const { conflicts, due, unknown, shared } = day;
  const { needs } = day.of;
  const [serviceId, setServiceId] = useState<ServiceId>();
  const [name, setName] = useState('');
  const need = needs.find(({ service }) => service.id === serviceId);
  return (
    <>
      <section>
        <h2 className="pb-1 text-lg">What does not fit</h2>
        {conflicts.length === 0 ? (
          <p className="text-ink-soft">Everything fits.</p>
        ) : (
          <ul>
            {conflicts.map((conflict) => {
              const last = conflict.visits.at(-1);
              return (
                <li
                  key={`${conflict.kind}/${conflict.span.from}/${conflict.name ?? ''}/${last?.key ?? ''}`}
                >
                  <button
                    type="button"
                    className="block w-full border-b border-line py-1.5 text-left hover:bg-clay-wash"
                    onClick={() => last && onTake(keyInHand(last))}
                  >
                    <span className="text-clay">▲</span> {conflictWords(conflict)}
                  </button>
                </li>
              );
            })}
          </ul>
        )}
      </section>
      {shared.length > 0 && (
        <section>
          <h2 className="pb-1 text-lg">Done once for several</h2>
          <ul>
            {shared.map((each) => (
              <li
                key={`${each.kind}/${each.kind === 'warm' ? each.device.id : each.work.key}/${each.first.key}`}
                className="border-b border-line py-1.5"
              >
                {sharedWords(each, savedBy(each, house, figures) ?? 0, house.settings.currency)}
              </li>
            ))}
          </ul>
        </section>
      )}
      {due.length > 0 && (
        <section>
          <h2 className="pb-1 text-lg">Due of courses, and not placed</h2>
          {due.map((each) => (
            <p
              key={each.soldCourseId}
              className="flex items-center justify-between gap-2 border-b border-line py-1.5"
            >
              <span>
                {each.name}: {each.need.service.name}
              </span>
              <Button
                className="h-8!"
                onClick={() =>
                  void day.place(
                    {
                      key: '',
                      name: each.name,
                      need: each.need,
                      starts: 12 * 60,
                      soldCourseId: each.soldCourseId,
                    },
                    {},
                  )
                }
              >
                Put it in
              </Button>
            </p>
          ))}
        </section>
      )}
      {unknown.length > 0 && (
        <p className="text-ink-soft">
          In the book, and no service is called so: {unknown.map(({ title }) => title).join(', ')}.
          Say what they are in Restock, Who comes.
        </p>
      )}
      <section className="flex flex-col gap-2 border-t border-line pt-4">
        <h2 className="text-lg">A visit more</h2>
        <Choice
          label="Service"
          value={serviceId ?? ('' as ServiceId)}
          placeholder="Choose a service"
          options={needs
            .filter(({ isAddOn }) => !isAddOn)
            .map(({ service }) => ({ value: service.id, label: service.name }))}
          onChoose={setServiceId}
        />
        <TextField label="For whom" value={name} onCommit={setName} />
        {need && (
          <WhereItFits
            key={need.service.id}
            day={day}
            need={need}
            name={name}
            onPick={(fit) =>
              void day
                .place(
                  { key: '', name, need, starts: fit.starts },
                  {
                    roomId: fit.roomId ?? null,
                    therapistId: fit.therapistId ?? null,
                    assistantId: fit.assistantId ?? null,
                  },
                  fit.day,
                )
                .then(() => {
                  setName('');
                  setServiceId(undefined);
                  if (fit.day !== day.day) day.goTo(fit.day);
                })
            }
          />
        )}
      </section>
    </>
  );
}
