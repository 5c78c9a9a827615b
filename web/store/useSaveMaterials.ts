import { useCallback } from 'react';
import { toast } from '../parts/toast';
import { unversioned, type MaterialBatch, type Versioned } from '@bienestar/contract/api';
import type { Material } from '@bienestar/core/house/house';
import { refusalWords, useSaveMaterialsMutation } from './api';
import { houseInHand } from './house';
import { rebase } from './outbox/rebase';
import { outbox, store } from './store';

/** Writes several materials at once, all or none; answers what went wrong, if anything. */
function useSaveMaterials(): (batch: MaterialBatch) => Promise<string | undefined> {
  const [save] = useSaveMaterialsMutation();
  return useCallback(
    async (batch) => {
      const saved = await save(batch);
      if (!saved.error) return undefined;
      return refusalWords(saved.error);
    },
    [save],
  );
}

/**
 * Writes several materials at once and offers to undo it; what goes wrong is said.
 * @returns true when they were written
 */
export function useSaveWithUndo(): (
  before: readonly Versioned<Material>[],
  after: readonly Material[],
  from: MaterialBatch['from'],
  words: string,
) => Promise<boolean> {
  const save = useSaveMaterials();
  return useCallback(
    async (before, after, from, words) => {
      /* Fields that were left a moment ago are saved first: this goes on from them. */
      await outbox.whenQuiet();
      const latest = new Map(
        houseInHand(store.getState())?.materials.map((each) => [each.id, each]),
      );
      const were = new Map(before.map((each) => [each.id, each]));
      const materials = after.map((each): Versioned<Material> => {
        const [was, now] = [were.get(each.id), latest.get(each.id)];
        if (!was || !now) return { ...each, version: was?.version ?? 0 };
        return { ...rebase<Material>(unversioned(was), each, now).value, version: now.version };
      });
      const fault = await save({ materials, from });
      if (fault !== undefined) {
        toast.error(`Nothing was changed. ${fault}`, { duration: 10_000 });
        return false;
      }
      const undone = materials.flatMap(({ id, version }) => {
        const was = latest.get(id) ?? were.get(id);
        return was ? [{ ...was, version: version + 1 }] : [];
      });
      const undo = async (): Promise<void> => {
        const wrong = await save({ materials: undone, from: 'hand' });
        if (wrong === undefined) toast('All is as it was before.');
        else toast.error(wrong, { duration: 10_000 });
      };
      toast(words, { duration: 12_000, action: { label: 'Undo', onClick: () => void undo() } });
      return true;
    },
    [save],
  );
}
