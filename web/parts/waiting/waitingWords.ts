import type { StockEntry } from '@bienestar/core/stock/entries';
import type { Change } from '../../store/outbox/queuedWrite';

const ENTRY_WORDS: { readonly [K in StockEntry['kind']]: string } = {
  delivery: 'what came in',
  opening: 'one opened',
  use: 'what was used',
  discard: 'what was thrown away',
  count: 'what was counted',
  'total-count': 'what was counted',
  correction: 'what is taken back',
};

/** What a write that waits is about, said after the name of the thing. */
export function changeWords(change: Change): string {
  switch (change.kind) {
    case 'edit':
      return 'what was changed';
    case 'draft':
      return 'what was written';
    case 'entry':
      return ENTRY_WORDS[change.entry.kind];
    case 'receipt':
      return 'what came of it';
    case 'count':
      return 'what was counted';
    case 'run':
      return 'that it began';
    case 'run-events':
      return 'what happened in the room';
    case 'visit':
      return 'that it was performed';
  }
}
