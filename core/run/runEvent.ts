import type { PersonId, RunEventId } from '../house/ids';
import type { Response } from '../house/question';
import type { Answer } from './answers';

/* What happened in a run, tap by tap. Each has an id made where it happened, so that it counts once. */

interface EventBase {
  readonly id: RunEventId;
  /** when, ISO 8601 in UTC to the millisecond */
  readonly at: string;
  readonly by?: PersonId;
}

export type RunEvent = EventBase &
  (
    | { readonly kind: 'began' }
    /** something of the tray stands ready, or does not after all */
    | { readonly kind: 'readied'; readonly thing: string; readonly isReady: boolean }
    /** an act is over, and the next one begins */
    | { readonly kind: 'done'; readonly act: string }
    /** the act that was over is not: what was pressed too early */
    | { readonly kind: 'undone'; readonly act: string }
    | { readonly kind: 'left-out'; readonly act: string }
    | { readonly kind: 'taken-in'; readonly act: string }
    | {
        readonly kind: 'answered';
        readonly act: string;
        readonly question: string;
        readonly answer: Answer;
        /** what is done, where it is not what the rule says */
        readonly response?: Response;
        readonly reason?: string;
      }
    /** as much was taken of one draw, in the unit of its material */
    | {
        readonly kind: 'took';
        readonly act: string;
        readonly draw: string;
        readonly quantity: number;
      }
    | { readonly kind: 'noted'; readonly words: string }
    /** stop and take off */
    | { readonly kind: 'stopped'; readonly why: string }
    | { readonly kind: 'took-off' }
    | { readonly kind: 'ended' }
  );

/** What happened, before it has an id and a moment. */
export type Happening = RunEvent extends infer E
  ? E extends RunEvent
    ? Omit<E, keyof EventBase>
    : never
  : never;
