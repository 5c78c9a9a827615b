import type { Dispatch } from '@reduxjs/toolkit';
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
} from '../../store/drafts';
import { historyOf } from '../../store/history';
import { useSnapshot } from '../../store/house';
import { useAppDispatch, useAppSelector, type RootState } from '../../store/store';
import { unsavedDraft } from '../../store/unsavedDrafts';

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
} {
  const things = useSnapshot()[part] as readonly Versioned<Protocol>[];
  const saved = things.find((each) => each.id === id);
  const draft = useAppSelector((state) => state.drafts.byId[id]);
  const dispatch = useAppDispatch();

  useEffect(() => {
    if (!saved) return;
    if (!draft) {
      const unsaved = unsavedDraft(id);
      dispatch(
        opened(
          unsaved ? { part, base: unsaved.base, unsaved: unsaved.protocol } : { part, base: saved },
        ),
      );
      void historyOf(id, unsaved?.protocol ?? withoutVersion(saved)).then(
        (history) => history && dispatch(recalled({ id, ...history })),
      );
    } else if (draft.saving.state === 'saved' && saved.version > draft.base.version) {
      dispatch(refreshed(saved));
    }
  }, [dispatch, draft, id, part, saved]);

  const edit = useCallback<EditProtocol>(
    (make, typedInto) => dispatch(editedBy(id, make, typedInto)),
    [dispatch, id],
  );
  return { draft, edit };
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
