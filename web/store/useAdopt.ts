import { useCallback } from 'react';
import { toast } from '../parts/toast';
import type { Scenario } from '@bienestar/core/house/scenario';
import type { HouseSnapshot, Several, Versioned } from '@bienestar/contract/api';
import type { Adoption } from '@bienestar/core/whatIf/adoption';
import { refusalWords, useSaveSeveralMutation } from './api';
import { useSnapshot } from './house';

/** Writes what a scenario changes into the house, all of it or none, and offers to undo it. */
export function useAdopt(): (
  adoption: Adoption,
  scenario: Scenario,
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
      const undo = async (): Promise<void> => {
        const back = await save(asBefore(saved.data, snapshot));
        if (back.error) {
          toast.error('Not undone: somebody has changed it since.', { duration: 10_000 });
        } else toast('All is as it was before.');
      };
      toast(words, { duration: 12_000, action: { label: 'Undo', onClick: () => void undo() } });
      return true;
    },
    [save, snapshot],
  );
}

const LISTS = [
  'people',
  'materials',
  'mixes',
  'blocks',
  'protocols',
  'services',
  'scenarios',
] as const;

/** What is adopted, each thing with the version that it was tried on. */
function severalFrom(adoption: Adoption, scenario: Scenario, snapshot: HouseSnapshot): Several {
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
    people: versioned(adoption.people, snapshot.people),
    materials: versioned(adoption.materials, snapshot.materials),
    mixes: versioned(adoption.mixes, snapshot.mixes),
    blocks: versioned(adoption.blocks, snapshot.blocks),
    protocols: versioned(adoption.protocols, snapshot.protocols),
    services: versioned(adoption.services, snapshot.services),
    /* With it the scenario is closed for these changes: whoever adopts them again is told. */
    scenarios: versioned([scenario], snapshot.scenarios),
    demand: adoption.demand.map((line) => ({ ...line, version: plan.get(line.serviceId) ?? 0 })),
  };
}

/** What was there before, with the versions that the write has made. */
function asBefore(saved: Several, snapshot: HouseSnapshot): Several {
  const before: Record<string, unknown> = {};
  for (const list of LISTS) {
    const was = new Map<string, object>(snapshot[list].map((each) => [each.id, each]));
    before[list] = (saved[list] ?? []).flatMap(({ id, version }) => {
      const old = was.get(id);
      return old ? [{ ...old, version }] : [];
    });
  }
  const lines = new Map(snapshot.demand.map((line) => [line.serviceId, line]));
  before.demand = (saved.demand ?? []).map(({ serviceId, version }) => ({
    ...(lines.get(serviceId) ?? { serviceId, visitsPerWeek: 0 }),
    version,
  }));
  if (saved.settings) before.settings = { ...snapshot.settings, version: saved.settings.version };
  return before;
}
