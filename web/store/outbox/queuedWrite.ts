import type { Versioned } from '@bienestar/contract/api';
import type {
  CountedLine,
  Protocol,
  Run,
  RunLogEntry,
  Treatment,
} from '@bienestar/core/house/house';
import type { LogbookVisit } from '@bienestar/core/house/logbook';
import type { MaterialId, OrderId, RunId } from '@bienestar/core/house/ids';
import type { Receiving } from '@bienestar/core/restock/receiveOrder';
import type {
  CountEntry,
  StockEntry,
  TotalCountEntry,
  UseEntry,
} from '@bienestar/core/stock/entries';
import type { Part, PartValue, Write } from '../api';
import type { DraftPart } from '../drafts';

/** What a write is to do. */
export type Change =
  /** fields of one thing: from how it was on the screen to how it is meant */
  | {
      readonly kind: 'edit';
      readonly part: Part;
      readonly base: PartValue<Part>;
      readonly mine: PartValue<Part>;
    }
  /** a protocol or block that is written at a workbench */
  | {
      readonly kind: 'draft';
      readonly part: DraftPart;
      /** what it was written over */
      readonly base: Versioned<Protocol>;
      readonly mine: Protocol;
    }
  | { readonly kind: 'entry'; readonly entry: StockEntry }
  | {
      readonly kind: 'receipt';
      readonly orderId: OrderId;
      readonly version: number;
      readonly receiving: Receiving;
    }
  | {
      readonly kind: 'count';
      readonly roundId: string;
      readonly line: CountedLine;
      readonly entry: CountEntry | TotalCountEntry;
    }
  | { readonly kind: 'run'; readonly run: Run }
  | { readonly kind: 'run-events'; readonly runId: RunId; readonly events: readonly RunLogEntry[] }
  | {
      readonly kind: 'visit';
      readonly treatment: Treatment;
      readonly uses: readonly UseEntry[];
      /** how it went, for the logbook */
      readonly log?: LogbookVisit;
    };

/** How a write stands. */
export type WriteState =
  /** a draft that is being typed into: it goes after a pause */
  | { readonly is: 'typing' }
  | { readonly is: 'waiting' }
  /** its answer has not come: it may have been done. Sent again it is the same, to the letter. */
  | { readonly is: 'sent'; readonly write?: Write }
  /** somebody else changed the same meanwhile: whose stands is to be chosen; none when it was taken away */
  | { readonly is: 'clash'; readonly theirs: { readonly version: number } | null }
  | { readonly is: 'refused'; readonly message: string };

/** A write that the house has not answered yet, or that cannot be done as it is. */
export interface QueuedWrite {
  /** by which the house knows it, so that it counts once; also its key where it is kept */
  readonly id: string;
  /** its place among the writes of its window */
  readonly turn: number;
  /** the window that sends it */
  readonly window: string;
  /** the window in which it was made */
  readonly madeIn: string;
  /** when it was made, ISO */
  readonly at: string;
  /** what it changes, as it is called on the screen */
  readonly name: string;
  readonly change: Change;
  readonly state: WriteState;
  /** it was tried, and nobody answered */
  readonly isHeld?: boolean;
}

/** The one thing that a write changes: `materials/oil`, `settings`. */
export function targetOf(change: Change): string {
  switch (change.kind) {
    case 'edit':
      return editedThing(change.part, change.mine);
    case 'draft':
      return `${change.part}/${change.mine.id}`;
    case 'entry':
      return `ledger/${change.entry.materialId}`;
    case 'receipt':
      return `orders/${change.orderId}`;
    case 'count':
      return `counts/${change.roundId}`;
    case 'run':
      return `runs/${change.run.id}`;
    case 'run-events':
      return `runs/${change.runId}`;
    case 'visit':
      return `treatments/${change.treatment.id}`;
  }
}

/** The address of a thing that is written field by field. */
export function editedThing(part: Part, value: object): string {
  if (part === 'settings') return part;
  const key = part === 'demand' ? 'serviceId' : 'id';
  return `${part}/${String((value as Readonly<Record<string, unknown>>)[key])}`;
}

/** The materials whose stock a write will move. */
export function materialsMovedBy(change: Change): readonly MaterialId[] {
  switch (change.kind) {
    case 'entry':
    case 'count':
      return [change.entry.materialId];
    case 'visit':
      return change.uses.map(({ materialId }) => materialId);
    case 'receipt':
    case 'edit':
    case 'draft':
    case 'run':
    case 'run-events':
      return [];
  }
}
