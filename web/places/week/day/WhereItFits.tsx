import { useMemo, useState } from 'react';
import { daysAfter } from '@bienestar/core/days/days';
import type { PersonId } from '@bienestar/core/house/ids';
import type { DayVisit } from '@bienestar/core/week/day/dayVisits';
import { whereFits, type Fit, type FitQuery } from '@bienestar/core/week/day/fits';
import { drawnOn } from '@bienestar/core/week/day/workedDay';
import type { VisitNeed } from '@bienestar/core/week/needs';
import { dayText } from '../../../format/figures';
import { Choice } from '../../../parts/Choice';
import { useHouse } from '../../../store/house';
import { clock } from '../weekWords';
import { reasonWords } from './conflictWords';
import type { DayInHand } from './useDay';

const ANYBODY = 'anybody';
const SHOWN = 12;
const DAYS = 7;
/** One place in half an hour is enough to choose from. */
const APART = 30;

type Part = 'any' | 'morning' | 'afternoon' | 'evening';
const PARTS: readonly (readonly [Part, string, FitQuery['between']])[] = [
  ['any', 'at any time', undefined],
  ['morning', 'in the morning', { from: 0, to: 12 * 60 }],
  ['afternoon', 'in the afternoon', { from: 12 * 60, to: 17 * 60 }],
  ['evening', 'in the evening', { from: 17 * 60, to: 24 * 60 }],
];

type When = 'this-day' | 'seven-days';

interface WhereItFitsProps {
  readonly day: DayInHand;
  readonly need: VisitNeed;
  /** the visit that is moved takes no room itself */
  readonly moved?: DayVisit;
  /** for whom it is */
  readonly name: string;
  readonly onPick: (fit: Fit) => void;
}

/** Places for a visit, those that leave least wasted first, with what speaks for each. */
export function WhereItFits({ day, need, moved, name, onPick }: WhereItFitsProps) {
  const house = useHouse();
  const [who, setWho] = useState<PersonId | typeof ANYBODY>(ANYBODY);
  const [part, setPart] = useState<Part>('any');
  const [when, setWhen] = useState<When>('this-day');
  const fits = useMemo(() => {
    const first = day.day;
    const days = Array.from({ length: when === 'this-day' ? 1 : DAYS }, (_, at) =>
      daysAfter(first, at),
    ).map((each) => drawnOn(day.of, each, moved?.key));
    const between = PARTS.find(([of]) => of === part)?.[2];
    return whereFits(need, days, day.of, {
      guest: { name, key: moved?.key ?? '' },
      ...(moved?.addOnIds && { addOnIds: moved.addOnIds }),
      ...(who !== ANYBODY && { personId: who }),
      ...(between && { between }),
    });
  }, [day.day, day.of, need, part, when, who, moved, name]);
  const shown = apart(fits).slice(0, SHOWN);
  const nameOf = (
    id: string | undefined,
    of: readonly { readonly id: string; readonly name: string }[],
  ) => of.find((each) => each.id === id)?.name;
  return (
    <section aria-label="Where it fits" className="flex flex-col gap-2">
      <div className="grid grid-cols-3 gap-2">
        <Choice
          label="By"
          value={who}
          options={[
            { value: ANYBODY, label: 'anybody' },
            ...house.people
              .filter(({ id }) => need.therapistIds.includes(id))
              .map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChoose={setWho}
        />
        <Choice
          label="When"
          value={part}
          options={PARTS.map(([value, label]) => ({ value, label }))}
          onChoose={setPart}
        />
        <Choice<When>
          label="Days"
          value={when}
          options={[
            { value: 'this-day', label: 'this day' },
            { value: 'seven-days', label: 'seven days' },
          ]}
          onChoose={setWhen}
        />
      </div>
      {shown.length === 0 ? (
        <p>
          It fits nowhere: no room of its kind, nobody who may and is there, or no device is free
          long enough, or the guest needs a rest. Try other days or somebody else.
        </p>
      ) : (
        <ul>
          {shown.map((fit) => (
            <li key={`${fit.day}/${fit.starts}/${fit.roomId ?? ''}`}>
              <button
                type="button"
                onClick={() => onPick(fit)}
                className="block w-full border-b border-line px-1 py-1.5 text-left hover:bg-palm-wash"
              >
                <span className="font-semibold">
                  {when === 'seven-days' && `${dayText(fit.day)} `}
                  {clock(fit.starts)}
                </span>{' '}
                {[nameOf(fit.roomId, house.rooms), nameOf(fit.therapistId, house.people)]
                  .filter((name) => name !== undefined)
                  .join(', ')}
                <span className="block text-ink-soft">
                  {fit.reasons.map(reasonWords).join('; ') || 'free'}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** Of places close to each other in one room the first: they are in the order of what they leave. */
function apart(fits: readonly Fit[]): readonly Fit[] {
  const kept: Fit[] = [];
  for (const fit of fits) {
    const isNear = kept.some(
      (other) =>
        other.day === fit.day &&
        other.roomId === fit.roomId &&
        Math.abs(other.starts - fit.starts) < APART,
    );
    if (!isNear) kept.push(fit);
  }
  return kept;
}
