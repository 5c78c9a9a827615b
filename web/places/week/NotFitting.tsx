import { useMemo } from 'react';
import { Link } from 'react-router';
import { daysOfHouse } from '@bienestar/core/week/day/daysOfHouse';
import { workedDay } from '@bienestar/core/week/day/workedDay';
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
    return workedDay(daysOfHouse(house, figures, today), today).conflicts.length;
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
