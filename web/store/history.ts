import { get, set } from 'idb-keyval';
import type { Protocol } from '@bienestar/core/house/house';
import type { Draft } from './drafts';

const MOST_KEPT = 60;

/** What can be undone and redone of a draft, kept on this machine for when the page is loaded anew. */
interface History {
  readonly present: Protocol;
  readonly past: readonly Protocol[];
  readonly future: readonly Protocol[];
}

const keyOf = (id: string): string => `bienestar.history.${id}`;

/** Keeps what can be undone; states share what did not change, and are kept so. */
export async function keepHistory(id: string, draft: Draft): Promise<void> {
  const { present, past, future } = draft;
  const history: History = {
    present,
    past: past.slice(-MOST_KEPT),
    future: future.slice(0, MOST_KEPT),
  };
  /* A browser that keeps nothing, or has no database at all, only takes undo after a reload away. */
  try {
    await set(keyOf(id), history);
  } catch {
    return;
  }
}

/** What could be undone when this page was left, as long as the draft is still as it was then. */
export async function historyOf(
  id: string,
  present: Protocol,
): Promise<Pick<History, 'past' | 'future'> | undefined> {
  const kept = await keptOf(id);
  return kept && JSON.stringify(kept.present) === JSON.stringify(present) ? kept : undefined;
}

async function keptOf(id: string): Promise<History | undefined> {
  try {
    return await get<History>(keyOf(id));
  } catch {
    return undefined;
  }
}
