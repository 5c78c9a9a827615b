import { lazy, Suspense, useEffect, useState } from 'react';
import type { QueuedWrite } from '../store/outbox/queuedWrite';
import { useAppSelector } from '../store/store';
import { LaterNote } from './LaterNote';
import { whenIdle } from './whenIdle';

const load = () => import('./StaleWriteDialog');
const StaleWriteDialog = lazy(async () => ({ default: (await load()).StaleWriteDialog }));

/** The choice after two people changed the same thing, whenever there is one to make. */
export function StaleWrites() {
  const first = useAppSelector(({ queue }) => queue.writes.find(isClashOfFields));
  const [left, setLeft] = useState<string>();
  useEffect(() => whenIdle(() => void load()), []);
  if (!first) return null;
  if (left === first.id) {
    return (
      <LaterNote
        words={`${first.name} was changed by somebody else meanwhile. Yours waits here until you choose.`}
        onChoose={() => setLeft(undefined)}
      />
    );
  }
  return (
    <Suspense>
      <StaleWriteDialog write={first} onLater={() => setLeft(first.id)} />
    </Suspense>
  );
}

/** Protocols are chosen for at their workbench. */
function isClashOfFields({ change, state }: QueuedWrite): boolean {
  return state.is === 'clash' && change.kind === 'edit';
}
