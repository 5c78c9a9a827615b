import type { Device, Person, Role, Service, WorkedProtocol } from '../house/house';
import type { HouseIndex } from '../house/houseIndex';
import type { DeviceId, PersonId } from '../house/ids';
import { devicesOf } from '../house/protocol';
import type { MinuteRates } from './serviceCost';
import type { PayRate } from './therapistRate';
import { fail, ok, type Outcome } from '../problem/problem';

/** Minutes of a service at what they cost, and whose pay each is the mean of. */
export interface ServiceRates extends MinuteRates {
  readonly people: Readonly<Record<Role, readonly Person[]>>;
  /** all of what they are paid; nothing of an assistant where none works in the protocol */
  readonly pay: Readonly<Record<Role, PayRate>>;
}

/** What of a price is pay, besides what is charged by the minute. */
export interface PayInPrice {
  /** of the direct cost, what is owed whether or not somebody comes; minor units */
  readonly fixed: number;
  /** what one who performs it is owed a month; minor units */
  readonly perMonth: number;
  /** of the net price, on-cost included */
  readonly share: number;
}

/**
 * The pay in a price.
 * @param fixed of the direct cost, what is owed whether or not somebody comes; minor units
 * @see C9
 */
export function payIn({ therapist, assistant }: ServiceRates['pay'], fixed: number): PayInPrice {
  return {
    fixed,
    perMonth: therapist.owedPerMonth,
    share: therapist.shareOfPrice + assistant.shareOfPrice,
  };
}

const known = new WeakMap<WorkedProtocol, Readonly<Record<Role, readonly DeviceId[]>>>();

/** The devices that those of a role work with in a protocol, each once. */
function devicesInHandsOf(role: Role, protocol: WorkedProtocol): readonly DeviceId[] {
  const found = known.get(protocol);
  if (found) return found[role];
  const used = (by: Role): readonly DeviceId[] => [
    ...new Set(protocol.steps.filter((step) => step.by === by).flatMap(devicesOf)),
  ];
  const devices = { therapist: used('therapist'), assistant: used('assistant') };
  known.set(protocol, devices);
  return devices[role];
}

/**
 * The devices of a protocol that a person has not been trained for, each once. A device that names
 * nobody may be worked by everybody; what an assistant does is not counted for a therapist.
 */
export function untrainedFor(
  { id, role }: Pick<Person, 'id' | 'role'>,
  protocol: WorkedProtocol,
  devices: ReadonlyMap<DeviceId, Device>,
): readonly Device[] {
  return devicesInHandsOf(role, protocol)
    .flatMap((used) => devices.get(used) ?? [])
    .filter((device) => !mayWork(device, id));
}

function mayWork({ trainedIds }: Device, person: PersonId): boolean {
  return trainedIds.length === 0 || trainedIds.includes(person);
}

/**
 * Those who perform a service: whom it names and who were trained for every device in a therapist's
 * hands. Nobody else counts in what it costs.
 * @returns empty when it names nobody; a problem when nobody of those named was trained
 * @see C3
 */
export function performersOf(
  { id, therapistIds }: Pick<Service, 'id' | 'therapistIds'>,
  protocol: WorkedProtocol,
  { people, devices }: Pick<HouseIndex, 'people' | 'devices'>,
): Outcome<readonly Person[]> {
  const named = therapistIds.flatMap((each) => people.get(each) ?? []);
  return trainedAmong(named, protocol, devices, { serviceId: id, field: 'therapistIds' });
}

/**
 * Those of `people` who were trained for every device that is in their hands.
 * @returns a problem when there are people and none of them was
 */
export function trainedAmong(
  people: readonly Person[],
  protocol: WorkedProtocol,
  devices: ReadonlyMap<DeviceId, Device>,
  where: { readonly serviceId: Service['id']; readonly field: string },
): Outcome<readonly Person[]> {
  const missing = new Set<Device>();
  const trained = people.filter((person) => {
    const lacks = untrainedFor(person, protocol, devices);
    for (const device of lacks) missing.add(device);
    return lacks.length === 0;
  });
  if (people.length === 0 || trained.length > 0) return ok(trained);
  const names = [...missing].map(({ name }) => name).join(', ');
  return fail(
    'nobody-trained',
    `Nobody who performs this service has been trained for everything it works with: ${names}. Name somebody who has, here or at the device.`,
    where,
  );
}
