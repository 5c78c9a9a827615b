import type { Hands } from '@bienestar/core/house/house';

/** How hands are told apart: on is solid, watching is ruled, free is open. */
export const MARK_LOOK: Record<Hands, string> = {
  'hands-on': 'mark-hands-on',
  watching: 'mark-watching',
  free: 'mark-free',
};
