import type { ProblemDocument } from '@bienestar/contract/problems';
import type { QueuedWrite, WriteState } from './queuedWrite';

/** How a write ended, or what is in its way. */
export type Outcome =
  | { readonly is: 'done'; readonly data: unknown }
  /** nobody answers: it is kept, and goes when somebody does */
  | { readonly is: 'held' }
  | { readonly is: 'clash' }
  | { readonly is: 'refused'; readonly document: ProblemDocument };

/** What became of sending a write once. */
export type Sent =
  | { readonly is: 'done'; readonly data: unknown }
  | { readonly is: 'away' }
  /** there is no house here to send it to yet */
  | { readonly is: 'unready' }
  | { readonly is: 'refused'; readonly document: ProblemDocument }
  /** somebody else was quicker, and it must be made anew from what is there now */
  | { readonly is: 'stale' }
  | { readonly is: 'clash'; readonly theirs: { readonly version: number } | null };

/** Sends a write. `fix` keeps what is sent, so that sent again it is the same. */
export type Sender = (
  write: QueuedWrite,
  fix: (state: WriteState) => Promise<QueuedWrite>,
) => Promise<Sent>;

/** How the sending of a write goes, for who shows it. */
export type Progress = (write: QueuedWrite, outcome: Outcome | { readonly is: 'sending' }) => void;
