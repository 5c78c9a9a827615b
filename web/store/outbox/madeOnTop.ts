import type { Versioned } from '@bienestar/contract/api';
import type { Protocol } from '@bienestar/core/house/house';
import { targetOf, type Change, type QueuedWrite } from './queuedWrite';
import { rebase } from './rebase';

/**
 * What was made on top of a write goes on from what the house made of it.
 * @param saved what the house answered to `done`
 * @returns the change of `later` as it goes on; nothing where it was not made on top of `done`
 */
export function madeOnTop(
  later: QueuedWrite,
  done: QueuedWrite,
  saved: unknown,
): Change | undefined {
  if (later.turn <= done.turn || targetOf(later.change) !== targetOf(done.change)) return undefined;
  if (done.change.kind === 'draft' && later.change.kind === 'draft') {
    return later.madeIn === done.madeIn
      ? { ...later.change, base: saved as Versioned<Protocol> }
      : undefined;
  }
  if (done.change.kind !== 'edit' || later.change.kind !== 'edit') return undefined;
  /* The house may write a value otherwise than it was typed. */
  const { mine } = done.change;
  const onto = <T>(value: T): T => rebase(mine as T, value, saved as T).value;
  return { ...later.change, base: onto(later.change.base), mine: onto(later.change.mine) };
}
