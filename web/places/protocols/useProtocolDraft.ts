import { useCallback, useEffect } from 'react';
import type { Protocol } from '@bienestar/core/house/house';
import { useSnapshot } from '../../store/house';
import { edited, opened, refreshed, type ProtocolDraft } from '../../store/protocolDrafts';
import { useAppDispatch, useAppSelector } from '../../store/store';
import { unsavedDraft } from '../../store/unsavedDrafts';

/**
 * Changes the draft. Quick edits with the same `typedInto` are undone as one; without it, each is
 * undone by itself.
 */
export type EditProtocol = (make: (protocol: Protocol) => Protocol, typedInto?: string) => void;

/**
 * The draft of a protocol, opened when it is first asked for: with what was typed and not yet saved,
 * where there is any.
 * @returns nothing while it opens, or when there is no such protocol
 */
export function useProtocolDraft(id: string): {
  readonly draft: ProtocolDraft | undefined;
  readonly edit: EditProtocol;
} {
  const saved = useSnapshot().protocols.find((protocol) => protocol.id === id);
  const draft = useAppSelector((state) => state.protocolDrafts.byId[id]);
  const dispatch = useAppDispatch();

  useEffect(() => {
    if (!saved) return;
    if (!draft) {
      const unsaved = unsavedDraft(id);
      dispatch(
        opened(unsaved ? { base: unsaved.base, unsaved: unsaved.protocol } : { base: saved }),
      );
    } else if (draft.saving.state === 'saved' && saved.version > draft.base.version) {
      dispatch(refreshed(saved));
    }
  }, [dispatch, draft, id, saved]);

  const present = draft?.present;
  const edit = useCallback<EditProtocol>(
    (make, typedInto) => {
      if (!present) return;
      const protocol = make(present);
      if (protocol !== present) dispatch(edited({ id, protocol, typedInto, at: Date.now() }));
    },
    [dispatch, id, present],
  );
  return { draft, edit };
}
