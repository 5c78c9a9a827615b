import { lazy, Suspense, useEffect, useState } from 'react';
import type { QueuedWrite } from '../store/outbox/queuedWrite';
import { useAppSelector } from '../store/store';
import { whenIdle } from './whenIdle';

const load = () => import('./StaleChoice');
const StaleChoice = lazy(async () => ({ default: (await load()).StaleChoice }));

/** The choice after two people changed the same thing, whenever there is one to make. */
export function StaleWrites() {
  const first = useAppSelector(({ queue }) => queue.writes.find(isClashOfFields));
  const [left, setLeft] = useState<string>();
  useEffect(() => whenIdle(() => void load()), []);
  if (!first) return null;
  return (
    <Suspense>
      <StaleChoice
        write={first}
        isPutOff={left === first.id}
        onPutOff={(is) => setLeft(is ? first.id : undefined)}
      />
    </Suspense>
  );
}

/** Protocols are chosen for at their workbench. */
function isClashOfFields({ change, state }: QueuedWrite): boolean {
  return state.is === 'clash' && change.kind === 'edit';
}
