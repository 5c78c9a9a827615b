import { lazy, Suspense, useEffect } from 'react';
import { staleWriteLeft } from '../store/staleWrites';
import { useAppDispatch, useAppSelector } from '../store/store';
import { LaterNote } from './LaterNote';
import { whenIdle } from './whenIdle';

const load = () => import('./StaleWriteDialog');
const StaleWriteDialog = lazy(async () => ({ default: (await load()).StaleWriteDialog }));

/** The choice after two people changed the same thing, whenever there is one to make. */
export function StaleWrites() {
  const { waiting, isLater } = useAppSelector((state) => state.staleWrites);
  const dispatch = useAppDispatch();
  const [first] = waiting;
  useEffect(() => whenIdle(() => void load()), []);
  if (first && isLater) {
    return (
      <LaterNote
        words={`${first.name} was changed by somebody else meanwhile. Yours waits here until you choose, or close this window.`}
        onChoose={() => dispatch(staleWriteLeft(false))}
      />
    );
  }
  return <Suspense>{first && <StaleWriteDialog />}</Suspense>;
}
