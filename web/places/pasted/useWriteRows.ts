import { useState } from 'react';
import { unversioned } from '@bienestar/contract/api';
import { toast } from '../../parts/toast';
import { refusedBy, useSaveSeveralMutation } from '../../store/api';
import { useAppDispatch } from '../../store/store';
import { takeBack } from '../../store/takeBack';
import { did } from '../../store/undo';
import type { Becomes } from './becomes';

const ADDED = ['suppliers', 'people', 'materials', 'protocols', 'services'] as const;

/** Writes what rows become: all of it, or nothing and why. */
export function useWriteRows() {
  const dispatch = useAppDispatch();
  const [save, { isLoading }] = useSaveSeveralMutation();
  const [fault, setFault] = useState<string>();
  const write = async ({ several }: Becomes, words: string): Promise<boolean> => {
    setFault(undefined);
    const saved = await save(several);
    if (!saved.error) {
      const keys = ADDED.flatMap((part) =>
        (several[part] ?? []).map((value) => {
          const { name } = value;
          return dispatch(did({ kind: 'addition', part, name, value: unversioned(value) })).payload
            .key;
        }),
      );
      /* What was added last may hold on to what was added before it. */
      const undoAll = async (): Promise<void> => {
        for (const key of keys.toReversed()) await dispatch(takeBack(key));
      };
      toast(`Added: ${words}.`, {
        duration: 12_000,
        ...(keys.length > 0 && { action: { label: 'Undo', onClick: () => void undoAll() } }),
      });
      return true;
    }
    const refused = refusedBy(saved.error);
    setFault(
      refused.kind === 'away'
        ? refused.message
        : (refused.document.errors?.[0]?.message ?? refused.document.detail),
    );
    return false;
  };
  return { write, isWriting: isLoading, fault };
}
