import { useMemo } from 'react';
import { Link } from 'react-router';
import { conflictsOf } from '@bienestar/core/week/day/conflicts';
import { visitsOfDay } from '@bienestar/core/week/day/dayVisits';
import { needsOf } from '@bienestar/core/week/needs';
import { proposed } from '@bienestar/core/week/day/propose';
import { counted } from '../../format/figures';
import { useToday } from '../../store/clock';
import { useFigures, useHouse } from '../../store/house';

/** What of today does not fit, with the way to where it is seen; nothing before the house plans its days. */
export function NotFitting() {
  const house = useHouse();
  const figures = useFigures();
  const today = useToday();
  const count = useMemo(() => {
    if (!house.settings.openHours || !house.people.some(({ hours }) => hours)) return 0;
    const needs = needsOf(house, figures);
    const visits = proposed(visitsOfDay(house, needs, today, today).visits, today, needs, house);
    return conflictsOf({ house, needs, day: today, today, visits }).length;
  }, [house, figures, today]);
  if (count === 0) return null;
  return (
    <p className="mt-2">
      <Link className="inline-flex min-h-12 items-center text-clay underline" to="/week/day">
        ▲ Visits of today: {counted(count, 'thing does', 'things do')} not fit
      </Link>
    </p>
  );
}
