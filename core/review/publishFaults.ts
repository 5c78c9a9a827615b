import { drawsOf } from '../draws/drawsOf';
import { settingsFor, shelfOf, workOf } from '../figures/serviceWork';
import { clientWith } from '../house/client';
import type { House, Protocol } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import type { Problem } from '../problem/problem';
import { scheduleOf } from '../time/schedule';
import { expandBlocks } from '../protocol/expandBlocks';
import { findingsIn } from './findings';

/**
 * What must be put right before a draft can be published: whatever keeps a first or a later visit from
 * being counted, and every fault in what is written. Conflicts and prompts do not stop it.
 */
export function publishFaults(draft: Protocol, house: House): readonly Problem[] {
  const index = indexHouse(house);
  const written = expandBlocks(draft, index.blocks, { protocolId: draft.id });
  if (!written.ok) return written.problems;
  const found = new Map<string, Problem>();
  for (const visitKind of ['first', 'returning'] as const) {
    const client = clientWith({ visitKind });
    const work = workOf({ protocol: draft, mixes: house.mixes }, client, index);
    if (!work.protocol.ok) return work.protocol.problems;
    const worked = work.protocol.value;
    const shelf = shelfOf(work, index);
    const settings = settingsFor(house.settings, client);
    const schedule = scheduleOf(worked, visitKind, settings);
    const draws = drawsOf(worked, visitKind, shelf, settings);
    const findings = findingsIn({
      written: written.value,
      worked,
      schedule,
      shelf,
      index,
      settings,
      dayTime: client.dayTime,
    });
    for (const problem of [
      ...(schedule.ok ? [] : schedule.problems),
      ...(draws.ok ? [] : draws.problems),
      ...findings.filter(({ weight }) => weight === 'fault'),
    ]) {
      found.set(problem.message, problem);
    }
  }
  return [...found.values()];
}
