import { lazy, Suspense } from 'react';
import { useParams } from 'react-router';
import { Loading } from '../../parts/Loading';
import { NoPlace } from '../NoPlace';

const HousePlace = lazy(async () => ({ default: (await import('./HousePlace')).HousePlace }));
const SetUpPlace = lazy(async () => ({ default: (await import('./SetUpPlace')).SetUpPlace }));

/** The house itself, and the questions that set it up. */
export function HousePlaces() {
  const { '*': path = '' } = useParams();
  const [place, question] = path.split('/');
  return (
    <Suspense fallback={<Loading what="Opening the house" />}>
      {path === '' ? (
        <HousePlace />
      ) : place === 'set-up' ? (
        <SetUpPlace question={question ?? '1'} />
      ) : (
        <NoPlace />
      )}
    </Suspense>
  );
}
