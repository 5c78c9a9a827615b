import { clientWith, type Client } from '../house/client';
import type { LayerGroup, Protocol, Step, WorkedProtocol } from '../house/house';
import type { Run } from '../house/run';
import type { WrittenOut } from '../protocol/expandBlocks';

/** A client for whom everything is worked that may be needed, so that it can be done when it is. */
export function withAllThatMayBe(client: Client, { steps }: Pick<WrittenOut, 'steps'>): Client {
  const optional = new Map(client.optional);
  for (const { id, optional: isOptional } of steps) {
    if (isOptional && !optional.has(id)) optional.set(id, 'done');
  }
  return { ...client, optional };
}

/** A protocol that was worked for a guest, as its run keeps it: every choice is made and leaves no trace. */
export function protocolOfRun({
  choices: _choices,
  isAllLeftOut: _isAllLeftOut,
  ...worked
}: WorkedProtocol): Protocol {
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

/** What a run keeps of what a guest is like. */
export function traitsOfRun(client: Client): NonNullable<Run['client']> {
  const {
    decided: _decided,
    optional: _optional,
    seenOn: _on,
    visitKind: _kind,
    ...traits
  } = client;
  const { conditions, ...like } = traits;
  return conditions.length > 0 ? traits : like;
}

/** For whom a run is. */
export function clientOfRun({ client, visitKind, protocol }: Run): Client {
  const steps = protocol.steps as readonly Step[];
  return withAllThatMayBe(clientWith({ ...client, visitKind }), { steps });
}
