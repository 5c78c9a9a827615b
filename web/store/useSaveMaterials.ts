import { useCallback } from 'react';
import { toast } from '../parts/toast';
import { unversioned, type MaterialBatch, type Versioned } from '@bienestar/contract/api';
import type { Material } from '@bienestar/core/house/house';
import { useSaveMaterialsMutation } from './api';
import { refusalWords } from './refusals';
import { houseInHand } from './house';
import { rebase } from './outbox/rebase';
import { outbox, store } from './store';
import { takeBack } from './takeBack';
import { did, inOneGo, type Deed } from './undo';

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
      const together = inOneGo(words);
      const keys = materials.flatMap((material): string[] => {
        const was = latest.get(material.id) ?? were.get(material.id);
        if (!was) return [];
        const deed: Deed = {
          kind: 'edit',
          part: 'materials',
          name: material.name,
          before: unversioned<Material>(was) as Versioned<Material>,
          after: unversioned<Material>(material) as Versioned<Material>,
          together,
        };
        return [store.dispatch(did(deed)).payload.key];
      });
      const last = keys.at(-1);
      toast(words, {
        duration: 12_000,
        ...(last !== undefined && {
          action: { label: 'Undo', onClick: () => void store.dispatch(takeBack(last)) },
        }),
      });
      return true;
    },
    [save],
  );
}
