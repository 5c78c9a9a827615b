import type { ProtocolId } from './ids';
import type { Mix } from './mix';
import type { Protocol } from './protocol';

/**
 * A protocol as it was published. It never changes: the blocks it used stand in it as steps, and the
 * recipes of its mixes are kept with it.
 */
export interface Edition {
  readonly protocolId: ProtocolId;
  /** counted from 1 */
  readonly number: number;
  /** ISO moment */
  readonly publishedAt: string;
  /** what is new, in words */
  readonly note: string;
  readonly protocol: Protocol;
  readonly mixes: readonly Mix[];
}
