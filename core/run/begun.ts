import { clientWith, type Client } from '../house/client';
import type { LayerGroup, Protocol, Step, WorkedProtocol } from '../house/house';
import type { Run, RunEvent } from '../house/run';
import type { Condition } from '../house/traits';
import type { WrittenOut } from '../protocol/expandBlocks';
import type { ZoneId } from '../zone/zones';
import { decidedIn } from './decide';

/** A client for whom everything is worked that may be needed, so that it can be done when it is. */
export function withAllThatMayBe(client: Client, { steps }: Pick<WrittenOut, 'steps'>): Client {
  const optional = new Map(client.optional);
  for (const { id, optional: isOptional } of steps) {
    if (isOptional && !optional.has(id)) optional.set(id, 'done');
  }
  return { ...client, optional };
}

/** An edition as a run keeps it: its blocks written out, so that no later block changes it. */
export function protocolOfRun(protocol: Protocol, written: WrittenOut): Protocol {
  return { ...protocol, ...written };
}

/** A protocol as it is worked in a run: what is otherwise for others leaves no trace on its card. */
export function withoutOthers(worked: WorkedProtocol): WorkedProtocol {
  const steps = worked.steps.map((line): Step => {
    const { option: _option, also: _also, otherwise: _otherwise, ...step } = line;
    const doses = step.doses.map(({ option: _of, also: _with, ...dose }) => dose);
    return { ...step, doses };
  });
  const layerGroups = worked.layerGroups.map(
    ({ otherwise: _otherwise, ...group }): LayerGroup => group,
  );
  return { ...worked, steps, layerGroups, choices: [] };
}

/** What a run keeps of whom it is for. */
export function guestOfRun(client: Client): Pick<Run, 'client' | 'seenOn' | 'decided'> {
  const { decided, optional: _optional, seenOn, visitKind: _kind, ...traits } = client;
  const { conditions, ...like } = traits;
  return {
    client: conditions.length > 0 ? traits : like,
    ...(seenOn && seenOn.size > 0 && { seenOn: Object.fromEntries(seenOn) }),
    ...(decided.size > 0 && { decided: Object.fromEntries(decided) }),
  };
}

/** For whom a run is, with what was decided at the couch by then. */
export function clientOfRun(
  { client, visitKind, protocol, seenOn, decided }: Run,
  events: readonly RunEvent[] = [],
): Client {
  const steps = protocol.steps as readonly Step[];
  const seen = Object.entries(seenOn ?? {}) as [Condition, readonly ZoneId[]][];
  return withAllThatMayBe(
    clientWith({
      ...client,
      visitKind,
      decided: decidedIn({ ...(decided && { decided }) }, events),
      ...(seen.length > 0 && { seenOn: new Map(seen) }),
    }),
    { steps },
  );
}
