import { useCallback } from 'react';
import { toast } from '../parts/toast';
import { unversioned, type HouseSnapshot, type Several } from '@bienestar/contract/api';
import { useSaveSeveralMutation, type Part } from './api';
import { refusalWords } from './refusals';
import { useSnapshot } from './house';
import { store } from './store';
import { takeBack } from './takeBack';
import { did, inOneGo, type Deed } from './undo';

/** Writes several things, all of them or none, and offers to undo them in one. */
export function useWriteTogether(): (several: Several, words: string) => Promise<boolean> {
  const snapshot = useSnapshot();
  const [save] = useSaveSeveralMutation();
  return useCallback(
    async (several, words) => {
      const saved = await save(several);
      if (saved.error) {
        const reason = refusalWords(saved.error);
        toast.error(`Nothing was changed. ${reason}`, { duration: 10_000 });
        return false;
      }
      const together = inOneGo(words);
      const keys = deedsOf(saved.data, snapshot).map(
        (deed) => store.dispatch(did({ ...deed, together })).payload.key,
      );
      const last = keys.at(-1);
      toast(words, {
        duration: 12_000,
        ...(last !== undefined && {
          action: { label: 'Undo', onClick: () => void store.dispatch(takeBack(last)) },
        }),
      });
      return true;
    },
    [save, snapshot],
  );
}

const LISTS = [
  'rooms',
  'people',
  'devices',
  'materials',
  'mixes',
  'blocks',
  'protocols',
  'services',
  'scenarios',
  'placed',
] as const;

/** A thing without its version, where it has one. */
function plain(value: object): object {
  return unversioned({ version: 0, ...value });
}

/** What a write of several things did to each of them. */
function deedsOf(saved: Several, snapshot: HouseSnapshot): readonly Deed[] {
  const edit = (part: Part, name: string, before: object, after: object): Deed =>
    ({ kind: 'edit', part, name, before: plain(before), after: plain(after) }) as Deed;
  const lines = new Map(snapshot.demand.map((line) => [line.serviceId, line]));
  return [
    ...LISTS.flatMap((part) => {
      const was = new Map<string, object>(snapshot[part].map((each) => [each.id, each]));
      return (saved[part] ?? []).map((after): Deed => {
        const before = was.get(after.id);
        const { name } = after;
        return before
          ? edit(part, name, before, after)
          : { kind: 'addition', part, name, value: unversioned<{ readonly id: string }>(after) };
      });
    }),
    ...(saved.demand ?? []).map((after) => {
      const { serviceId } = after;
      const name = snapshot.services.find(({ id }) => id === serviceId)?.name ?? 'a service';
      const before = lines.get(serviceId) ?? { serviceId, visitsPerWeek: 0 };
      return edit('demand', `The plan for ${name}`, before, after);
    }),
    ...(saved.settings ? [edit('settings', 'The house', snapshot.settings, saved.settings)] : []),
  ];
}
