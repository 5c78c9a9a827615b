import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { unversioned } from '@bienestar/contract/api';
import { toast } from '../../parts/toast';
import { useSaveSeveralMutation } from '../../store/api';
import { refusalWords } from '../../store/refusals';
import { useAppDispatch } from '../../store/store';
import { takeBack } from '../../store/takeBack';
import { did, type Deed } from '../../store/undo';
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
      const together = { id: nanoid(), words: `${words} were added` };
      const deeds = ADDED.flatMap((part) =>
        (several[part] ?? []).map((value): Deed => {
          const { name } = value;
          return { kind: 'addition', part, name, value: unversioned(value), together };
        }),
      );
      const last = deeds.map((deed) => dispatch(did(deed)).payload.key).at(-1);
      toast(`Added: ${words}.`, {
        duration: 12_000,
        ...(last !== undefined && {
          action: { label: 'Undo', onClick: () => void dispatch(takeBack(last)) },
        }),
      });
      return true;
    }
    setFault(refusalWords(saved.error));
    return false;
  };
  return { write, isWriting: isLoading, fault };
}
