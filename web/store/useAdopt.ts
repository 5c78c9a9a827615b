import { useCallback } from 'react';
import type { HouseSnapshot, Several, Versioned } from '@bienestar/contract/api';
import type { Scenario } from '@bienestar/core/house/scenario';
import type { Adoption } from '@bienestar/core/whatIf/adoption';
import { useSnapshot } from './house';
import { useWriteTogether } from './useWriteTogether';

/** Writes what a scenario or a lesson changes into the house, all of it or none, and offers to undo it. */
export function useAdopt(): (
  adoption: Adoption,
  /** it is closed for what is adopted of it */
  scenario: Scenario | undefined,
  words: string,
) => Promise<boolean> {
  const snapshot = useSnapshot();
  const write = useWriteTogether();
  return useCallback(
    (adoption, scenario, words) => write(severalFrom(adoption, scenario, snapshot), words),
    [write, snapshot],
  );
}

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
