import type { Device, Person, WorkedProtocol } from '../house/house';
import type { DeviceId, PersonId } from '../house/ids';
import { devicesOfStep } from './traits';

/**
 * The devices of a protocol that a person has not been trained for, each once. A device that names
 * nobody may be worked by everybody; what an assistant does is not counted for a therapist.
 */
export function untrainedFor(
  { id, role }: Pick<Person, 'id' | 'role'>,
  protocol: WorkedProtocol,
  devices: ReadonlyMap<DeviceId, Device>,
): readonly Device[] {
  const used = protocol.steps
    .filter((step) => step.by === role)
    .flatMap((step) => devicesOfStep(step, devices));
  return [...new Set(used)].filter((device) => !mayWork(device, id));
}

function mayWork({ trainedIds }: Device, person: PersonId): boolean {
  return trainedIds.length === 0 || trainedIds.includes(person);
}
