import type { Versioned } from '@bienestar/contract/api';
import type { Protocol } from '@bienestar/core/house/house';

/** A protocol that was typed and not yet saved, kept on this machine. */
export interface UnsavedDraft {
  readonly protocol: Protocol;
  /** what it was typed over */
  readonly base: Versioned<Protocol>;
}

const keyOf = (id: string): string => `bienestar.unsaved.${id}`;

/** Keeps what is typed on this machine until the house has it. */
export function keepUnsaved(id: string, draft: UnsavedDraft): void {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(draft));
  } catch {
    /* A full or forbidden store only takes this second net away. */
  }
}

/** Forgets it, once the house has it. */
export function forgetUnsaved(id: string): void {
  localStorage.removeItem(keyOf(id));
}

/** What was typed and not saved before this page was loaded. */
export function unsavedDraft(id: string): UnsavedDraft | undefined {
  const kept = localStorage.getItem(keyOf(id));
  return kept === null ? undefined : (JSON.parse(kept) as UnsavedDraft);
}
