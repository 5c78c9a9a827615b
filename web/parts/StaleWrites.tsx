import { lazy, Suspense, useEffect } from 'react';
import { useAppSelector } from '../store/store';
import { whenIdle } from './whenIdle';

const load = () => import('./StaleWriteDialog');
const StaleWriteDialog = lazy(async () => ({ default: (await load()).StaleWriteDialog }));

/** The choice after two people changed the same thing, whenever there is one to make. */
export function StaleWrites() {
  const isWaiting = useAppSelector((state) => state.staleWrites.waiting.length > 0);
  useEffect(() => whenIdle(() => void load()), []);
  return <Suspense>{isWaiting && <StaleWriteDialog />}</Suspense>;
}
