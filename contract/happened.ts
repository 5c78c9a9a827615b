import type { CountRound, Order, Run, RunLogEntry, Treatment } from '@bienestar/core/house/house';
import type { EntryId, MaterialId } from '@bienestar/core/house/ids';
import type { LogbookEntry, LogbookPlan } from '@bienestar/core/house/logbook';
import type { Lot, MaterialStock, Movement } from '@bienestar/core/house/stock';
import type { Versioned } from './api';

/* What the house answers about what happened in it: stock, orders, visits, counts. */

/** What an entry into the ledger changed: `POST /api/ledger`. */
export interface Posted {
  readonly stock: MaterialStock;
  readonly movements: readonly Movement[];
  /** of which a delivery was taken back, so that it is due again */
  readonly order?: Versioned<Order>;
}

/** What receiving did: `POST /api/orders/:id/receive`. */
export interface OrderReceived {
  readonly order: Versioned<Order>;
  readonly stock: readonly MaterialStock[];
}

/** What entering a treatment did: `POST /api/treatments`. */
export interface Performed {
  readonly treatment: Treatment;
  readonly stock: readonly MaterialStock[];
  /** used, and not on the shelf by the ledger: count these */
  readonly missing: readonly { readonly materialId: MaterialId; readonly quantity: number }[];
  /** counted after the treatment, and so not drawn again */
  readonly counted: readonly MaterialId[];
}

/** A run and all that happened in it: `GET /api/runs/:id`. */
export interface RunSoFar {
  readonly run: Run;
  /** in the order in which it came in */
  readonly events: readonly RunLogEntry[];
}

/** What went wrong in any run, and what was asked after: `GET /api/runs/incidents`. */
export interface Incidents {
  readonly events: readonly RunLogEntry[];
}

/**
 * The runs that are neither entered nor put away, `GET /api/runs`; a page of those that are over,
 * `GET /api/runs?ended&before=`.
 */
export interface RunPage {
  readonly runs: readonly Run[];
  /** where the next page begins */
  readonly next?: number;
}

/** A visit of the logbook, and when it was taken back, if it was. */
export type LoggedNow = LogbookEntry & { readonly takenBackAt?: string };

/** A page of the logbook, the newest first: `GET /api/logbook?before=&most=`. */
export interface LogbookPage {
  readonly entries: readonly LoggedNow[];
  /** every plan that the entries name */
  readonly plans: readonly LogbookPlan[];
  /** how many visits the whole logbook has at the most */
  readonly all: number;
  /** where the next page begins */
  readonly next?: number;
}

/** One visit of the logbook: `GET /api/logbook/:id`. */
export interface LoggedVisitRead {
  readonly entry: LoggedNow;
  readonly plan: LogbookPlan;
}

/** What a correction did: `POST /api/logbook/:id/corrections`. */
export interface LogbookCorrected extends LoggedVisitRead {
  readonly stock: readonly MaterialStock[];
}

/** What a line of a count did: `POST /api/counts/:id/lines`. */
export interface CountEntered extends Posted {
  readonly round: Versioned<CountRound>;
}

/** The history of a material: `GET /api/ledger/:materialId`, the newest first. */
export interface LedgerPage {
  readonly movements: readonly Movement[];
  /** every lot that the movements name, also those that are used up */
  readonly lots: readonly Lot[];
  /** of its entries, those that were taken back, by whatever page their opposite is on */
  readonly takenBack: readonly EntryId[];
  /** of `before` for the next page; none on the last */
  readonly next?: number;
}
