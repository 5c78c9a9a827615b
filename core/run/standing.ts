import type { MaterialId } from '../house/ids';
import type { SoldProduct } from '../house/logbook';
import type { Question, Response } from '../house/question';
import type { Answer } from '../house/run';

/* How a run stands, as its events leave it. */

/** What was answered, and what followed. */
export interface Answered {
  readonly question: Question;
  readonly answer: Answer;
  /** what the rule says */
  readonly rule: Response;
  /** what was done */
  readonly response: Response;
  readonly reason?: string;
  /** ms since 1970 */
  readonly at: number;
}

export type ActStanding = 'to-come' | 'in-hand' | 'done' | 'left-out';

/** How an act goes. */
export interface ActState {
  readonly standing: ActStanding;
  /** ms since 1970 */
  readonly beganAt?: number;
  readonly endedAt?: number;
  /** why it is not done, where that is not somebody's choice */
  readonly because?: Response;
  readonly answers: readonly Answered[];
  /** how often it was done besides the first time */
  readonly again?: number;
}

/** What must come off, and why. */
export interface TakeOff {
  readonly why: Response | 'stopped';
  readonly since: number;
  /** the act that takes it off, where the protocol has one; else it is done without */
  readonly by?: number;
}

/** A wait at the answer to a question, which is asked again. */
export interface Waiting {
  readonly since: number;
  readonly until: number;
}

export type RunStatus = 'not-begun' | 'running' | 'stopped' | 'ended';

/** How a run stands. */
export interface RunState {
  readonly status: RunStatus;
  readonly beganAt?: number;
  readonly endedAt?: number;
  readonly acts: readonly ActState[];
  /** the tablet that leads; all others follow, and only stop */
  readonly leader?: string;
  /** the place of the act in hand */
  readonly inHand?: number;
  /** the place to which it goes back after an act that was done before its turn */
  readonly returnTo?: number;
  /** what is asked and not answered: it goes on after that and not before */
  readonly asked: readonly Question[];
  readonly waiting?: Waiting;
  /** goes on lightly from here */
  readonly isLightly: boolean;
  readonly takeOff?: TakeOff;
  /** when all that lay on the skin was taken off outside the protocol; ms since 1970 */
  readonly tookOffAt?: number;
  readonly stoppedWhy?: string;
  /** what stands ready, and since when; ms since 1970 */
  readonly ready: ReadonlyMap<string, number>;
  /** amounts that were another than planned, by draw; in the unit of the material */
  readonly took: ReadonlyMap<string, number>;
  /** another product that was taken, by draw */
  readonly instead: ReadonlyMap<string, MaterialId>;
  /** what devices were set to where it was not as written, by act and setting */
  readonly set: ReadonlyMap<string, number>;
  /** passes that were gone, by act and setting */
  readonly passed: ReadonlyMap<string, number>;
  /** acts that are done in their least minutes */
  readonly shortened: ReadonlySet<string>;
  /** of those that were told, what the scale told */
  readonly weighed: ReadonlySet<string>;
  /** grams before it is taken, by draw */
  readonly onScale: ReadonlyMap<string, number>;
  readonly notes: readonly string[];
  /** packs that the guest buys */
  readonly sold: readonly SoldProduct[];
  /** the visit is in the log */
  readonly isEntered: boolean;
  /** it is not to be entered */
  readonly isPutAway: boolean;
}
