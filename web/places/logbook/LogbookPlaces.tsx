import { lazy, Suspense } from 'react';
import { useParams } from 'react-router';
import { Loading } from '../../parts/Loading';

const LessonsPlace = lazy(async () => ({ default: (await import('./LessonsPlace')).LessonsPlace }));
const ForeseesPlace = lazy(async () => ({
  default: (await import('./ForeseesPlace')).ForeseesPlace,
}));
const LogbookPlace = lazy(async () => ({ default: (await import('./LogbookPlace')).LogbookPlace }));

const LESSONS = 'teaches';

/** The places of the logbook by their addresses, each loaded when it is first gone to. */
export function LogbookPlaces() {
  const { '*': path = '' } = useParams();
  const [place, ...inHand] = path.split('/');
  return (
    <Suspense fallback={<Loading what="Opening the logbook" />}>
      {place === LESSONS ? (
        <LessonsPlace inHand={inHand.join('/')} />
      ) : path === 'foresees' ? (
        <ForeseesPlace />
      ) : (
        <LogbookPlace visitId={path === '' ? undefined : path} />
      )}
    </Suspense>
  );
}
