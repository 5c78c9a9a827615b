import type { Remote } from 'comlink';
import { useCallback } from 'react';
import { Link } from 'react-router';
import type { WeekWorker } from '../../workers/week.worker';
import { mondayOf } from '@bienestar/core/days/days';
import type { ServiceId } from '@bienestar/core/house/ids';
import { limitingHour } from '@bienestar/core/week/worth/limitingHour';
import { money } from '../../format/figures';
import { useToday } from '../../store/clock';
import { useHouse } from '../../store/house';
import { useWeekWorked } from '../week/useWeekWorked';
import { capacityName } from '../week/weekWords';

/** What the hour of the week that is missing first earns with a service; nothing while weeks are not planned. */
export function LimitingHour({ serviceId }: { readonly serviceId: ServiceId }) {
  const house = useHouse();
  const today = useToday();
  const monday = mondayOf(today);
  const ask = useCallback(
    (week: Remote<WeekWorker>) => week.worth({ house, monday, today, source: 'plan' }, 'parts'),
    [house, monday, today],
  );
  const { answer } = useWeekWorked(ask);
  const of = answer?.ok ? limitingHour(answer.value.mix, serviceId) : undefined;
  if (!of) return null;
  const { currency } = house.settings;
  return (
    <p className="pt-3 text-sm">
      An hour of {capacityName(of.capacity)}, which gives out in the week, earns{' '}
      <strong>{money(of.earns, currency)}</strong> with this service
      {of.earns >= of.best
        ? `; the next best use of it would earn ${money(of.best, currency)}.`
        : `, and ${money(of.best, currency)} in its best use.`}{' '}
      <Link to="/week/worth" className="underline underline-offset-4">
        What an hour is worth
      </Link>
    </p>
  );
}
