import { lazy, Suspense, type ComponentType } from 'react';
import { useParams } from 'react-router';
import { Loading } from '../../parts/Loading';
import { NoPlace } from '../NoPlace';

/** The places of the week by their addresses, each loaded when it is first gone to. */
const PLACES: Readonly<Record<string, ComponentType>> = {
  '': lazy(async () => ({ default: (await import('./CarriesPlace')).CarriesPlace })),
  worth: lazy(async () => ({ default: (await import('./worth/WorthPlace')).WorthPlace })),
  pairs: lazy(async () => ({ default: (await import('./PairsPlace')).PairsPlace })),
  day: lazy(async () => ({ default: (await import('./day/DayPlace')).DayPlace })),
  played: lazy(async () => ({ default: (await import('./PlayedPlace')).PlayedPlace })),
  roster: lazy(async () => ({ default: (await import('./roster/RosterPlace')).RosterPlace })),
};

/** The week: what it carries, what an hour is worth, which visits go together, how a day goes, who works when. */
export function WeekPlace() {
  const { '*': path = '' } = useParams();
  const Place = PLACES[path] ?? NoPlace;
  return (
    <Suspense fallback={<Loading what="Opening the week" />}>
      <Place />
    </Suspense>
  );
}
