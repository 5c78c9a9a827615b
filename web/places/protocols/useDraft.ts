import { createSelector, type Dispatch } from '@reduxjs/toolkit';
import { useCallback, useEffect } from 'react';
import type { Versioned } from '@bienestar/contract/api';
import type { Protocol } from '@bienestar/core/house/house';
import {
  edited,
  opened,
  recalled,
  refreshed,
  withoutVersion,
  type Draft,
  type DraftPart,
  type Saving,
} from '../../store/drafts';
import { historyOf } from '../../store/history';
import { useSnapshot } from '../../store/house';
import { targetOf, type QueuedWrite } from '../../store/outbox/queuedWrite';
import { useAppDispatch, useAppSelector, type RootState } from '../../store/store';

/**
 * Changes the draft. Quick edits with the same `typedInto` are undone as one; without it, each is
 * undone by itself.
 */
export type EditProtocol = (make: (protocol: Protocol) => Protocol, typedInto?: string) => void;

/**
 * The draft of a protocol or block, opened when it is first asked for: with what was typed and not yet
 * saved, and what could be undone, where there is any.
 * @returns nothing while it opens, or when there is no such thing
 */
export function useDraft(
  id: string,
  part: DraftPart,
): {
  readonly draft: Draft | undefined;
  readonly edit: EditProtocol;
  /** the house has it, or it waits here to be sent */
  readonly isKnown: boolean;
} {
  const things = useSnapshot()[part] as readonly Versioned<Protocol>[];
  const saved = things.find((each) => each.id === id);
  const draft = useAppSelector((state) => state.drafts.byId[id]);
  const dispatch = useAppDispatch();

  const left = useAppSelector(({ queue }) => leftToSave(queue.writes, part, id));

  useEffect(() => {
    const isAtRest = draft?.saving.state === 'saved';
    if (left && (!draft || (isAtRest && left.first.state.is === 'clash'))) {
      dispatch(opened({ part, base: left.first.change.base, unsaved: asUnsaved(left) }));
    } else if (!draft && saved) {
      dispatch(opened({ part, base: saved }));
    } else if (draft && saved && isAtRest && saved.version > draft.base.version) {
      dispatch(refreshed(saved));
    }
    const present = left?.last.change.mine ?? (saved && withoutVersion(saved));
    if (!draft && present) {
      void historyOf(id, present).then((history) => {
        if (history) dispatch(recalled({ id, ...history }));
      });
    }
  }, [dispatch, draft, id, left, part, saved]);

  const edit = useCallback<EditProtocol>(
    (make, typedInto) => dispatch(editedBy(id, make, typedInto)),
    [dispatch, id],
  );
  return { draft, edit, isKnown: saved !== undefined || left !== undefined };
}

/** An edit of the draft as it is by the time it happens. */
function editedBy(id: string, make: (protocol: Protocol) => Protocol, typedInto?: string) {
  return (dispatch: Dispatch, getState: () => RootState): void => {
    const present = getState().drafts.byId[id]?.present;
    if (!present) return;
    const protocol = make(present);
    if (protocol !== present) dispatch(edited({ id, protocol, typedInto, at: Date.now() }));
  };
}

type DraftWrite = QueuedWrite & {
  readonly change: Extract<QueuedWrite['change'], { kind: 'draft' }>;
};

/** The writes of one window that were left when it went: the first says over what, the last says what. */
interface Left {
  readonly first: DraftWrite;
  readonly last: DraftWrite;
}

/** What one window wrote of a protocol and the house has not answered. */
const leftToSave = createSelector(
  [
    (writes: readonly QueuedWrite[]) => writes,
    (_writes, part: DraftPart) => part,
    (_writes, _part, id: string) => id,
  ],
  (writes, part, id): Left | undefined => {
    const ofThis = writes.filter(
      (write): write is DraftWrite =>
        write.change.kind === 'draft' && targetOf(write.change) === `${part}/${id}`,
    );
    const [first] = ofThis;
    const last = ofThis.findLast(({ madeIn }) => madeIn === first?.madeIn);
    return first && last && { first, last };
  },
);

function asUnsaved({ first: { state }, last: { change, madeIn } }: Left) {
  const saving: Saving =
    state.is === 'clash'
      ? { state: 'conflict', theirs: state.theirs as Versioned<Protocol> | null }
      : { state: 'waiting' };
  return { protocol: change.mine, madeIn, saving };
}
