import { nanoid } from '@reduxjs/toolkit';
import { useCallback } from 'react';
import { toast } from '../parts/toast';
import type { Scenario } from '@bienestar/core/house/scenario';
import {
  unversioned,
  type HouseSnapshot,
  type Several,
  type Versioned,
} from '@bienestar/contract/api';
import type { Adoption } from '@bienestar/core/whatIf/adoption';
import { refusalWords, useSaveSeveralMutation, type Part } from './api';
import { useSnapshot } from './house';
import { store } from './store';
import { takeBack } from './takeBack';
import { did, type Deed } from './undo';

/** Writes what a scenario or a lesson changes into the house, all of it or none, and offers to undo it. */
export function useAdopt(): (
  adoption: Adoption,
  /** it is closed for what is adopted of it */
  scenario: Scenario | undefined,
  words: string,
) => Promise<boolean> {
  const snapshot = useSnapshot();
  const [save] = useSaveSeveralMutation();
  return useCallback(
    async (adoption, scenario, words) => {
      const saved = await save(severalFrom(adoption, scenario, snapshot));
      if (saved.error) {
        const reason = refusalWords(saved.error);
        toast.error(`Nothing was changed. ${reason}`, { duration: 10_000 });
        return false;
      }
      const together = { id: nanoid(), words };
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
] as const;

/** What is adopted, each thing with the version that it was tried on. */
function severalFrom(
  adoption: Adoption,
  scenario: Scenario | undefined,
  snapshot: HouseSnapshot,
): Several {
  const versioned = <T extends { readonly id: string }>(
    values: readonly T[],
    known: readonly Versioned<T>[],
  ): Versioned<T>[] => {
    const versions = new Map(known.map(({ id, version }) => [id, version]));
    return values.map((value) => ({ ...value, version: versions.get(value.id) ?? 0 }));
  };
  const plan = new Map(snapshot.demand.map(({ serviceId, version }) => [serviceId, version]));
  return {
    ...(adoption.settings && {
      settings: { ...adoption.settings, version: snapshot.settings.version },
    }),
    rooms: versioned(adoption.rooms, snapshot.rooms),
    people: versioned(adoption.people, snapshot.people),
    devices: versioned(adoption.devices, snapshot.devices),
    materials: versioned(adoption.materials, snapshot.materials),
    mixes: versioned(adoption.mixes, snapshot.mixes),
    blocks: versioned(adoption.blocks, snapshot.blocks),
    protocols: versioned(adoption.protocols, snapshot.protocols),
    services: versioned(adoption.services, snapshot.services),
    /* With it the scenario is closed for these changes: whoever adopts them again is told. */
    scenarios: versioned(scenario ? [scenario] : [], snapshot.scenarios),
    demand: adoption.demand.map((line) => ({ ...line, version: plan.get(line.serviceId) ?? 0 })),
  };
}

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
