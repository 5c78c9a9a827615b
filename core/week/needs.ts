import { indexHouse, type HouseIndex } from '../house/houseIndex';
import {
  roomKindOf,
  type House,
  type Role,
  type RoomKind,
  type Service,
  type WorkedProtocol,
} from '../house/house';
import type { Span } from '../house/hours';
import type { RestKind } from '../house/rests';
import { recipesOf } from '../figures/serviceWork';
import { restKindsOf } from '../care/restKinds';
import type { DeviceId, MaterialId, PersonId } from '../house/ids';
import type { HouseFigures, ServiceFigures } from '../figures/houseFigures';
import { arrange } from '../protocol/arrange';
import { deviceStrands } from '../time/deviceStrands';
import type { Schedule } from '../time/schedule';
import { strandsOf, type Segment, type Strands } from '../time/strands';
import { turnsOf } from '../time/turns';
import { lastingWork, type LastingWork } from './lastingWork';
import { joined, spanMinutes } from './spans';

/** Towels that come out of the warmer at a minute of a visit. */
export interface HotTowels {
  readonly at: number;
  readonly pieces: number;
}

/** What one visit takes of the house, in expected minutes after its room is first used. */
export interface VisitNeed {
  readonly service: Service;
  /** what is worked within it */
  readonly addOns: readonly Service[];
  /** its protocol as it is worked */
  readonly work: WorkedProtocol;
  readonly roomKind: RoomKind;
  /** worked within another visit: it takes no room of its own */
  readonly isAddOn: boolean;
  readonly slotMinutes: number;
  /** expected minutes of the room */
  readonly roomMinutes: number;
  /** in which hands are on or watching, each stretch as long as it lasts */
  readonly hands: Readonly<Record<Role, readonly Span[]>>;
  readonly devices: ReadonlyMap<DeviceId, readonly Span[]>;
  /** pieces of linen, the mean of many visits */
  readonly linen: ReadonlyMap<MaterialId, number>;
  readonly hotTowels: readonly HotTowels[];
  /** set-up, the guest's time, reset */
  readonly stretches: Strands['room'];
  /** in which something that has a longest time lies on the skin */
  readonly contacts: readonly Span[];
  /** kinds of work after and before which skin rests */
  readonly restKinds: ReadonlySet<RestKind>;
  /** what is made ready in it and may serve a later visit, too */
  readonly lasting: readonly LastingWork[];
  /** who may perform it: named for it, and trained for what it works with */
  readonly therapistIds: readonly PersonId[];
  readonly assistantIds: readonly PersonId[];
  /** what one more visit adds, in minor units; what is owed anyhow is not taken off */
  readonly contribution: number;
}

/** What is done in a visit: its service, and what is worked within it. */
export function workName({ service, addOns }: Pick<VisitNeed, 'service' | 'addOns'>): string {
  return [service, ...addOns].map(({ name }) => name).join(' + ');
}

/** Minutes in which somebody of a role is needed in one visit. @see T4 */
export function attendedMinutes({ hands }: Pick<VisitNeed, 'hands'>, role: Role): number {
  return spanMinutes(hands[role]);
}

interface KnownNeed {
  readonly from: readonly unknown[];
  readonly need: VisitNeed;
}

/**
 * When somebody of a role is needed in a visit. Where no assistant helps, the therapist does that work, too.
 * @see T4
 */
export function handsIn(
  { hands }: Pick<VisitNeed, 'hands'>,
  role: Role,
  helped: 'helped' | 'alone',
): readonly Span[] {
  if (helped === 'helped') return hands[role];
  return role === 'assistant' ? [] : alone(hands);
}

const together = new WeakMap<VisitNeed['hands'], readonly Span[]>();

function alone(hands: VisitNeed['hands']): readonly Span[] {
  const before = together.get(hands);
  if (before) return before;
  const all = joined([...hands.therapist, ...hands.assistant]);
  together.set(hands, all);
  return all;
}

const known = new WeakMap<ServiceFigures, KnownNeed>();

/**
 * What a visit of each service takes; those that cannot be counted are left out.
 * @see T3 T4 C9
 */
export function needsOf(house: House, figures: HouseFigures): readonly VisitNeed[] {
  const offered = offeredWithin(house);
  const index = indexHouse(house);
  return house.services.flatMap((service): VisitNeed[] => {
    const of = figures.services.get(service.id);
    if (!of) return [];
    const isAddOn = offered.has(service.protocolId);
    const { devices, materials, mixes, editions } = house;
    const from = [service, devices, materials, mixes, editions, isAddOn];
    const before = known.get(of);
    if (before?.from.every((each, at) => each === from[at])) return [before.need];
    const need = needOf(service, of, house, index, isAddOn);
    if (need) known.set(of, { from, need });
    return need ? [need] : [];
  });
}

/**
 * What a visit takes by the figures of its service; nothing where it cannot be counted.
 * @param isAddOn worked within another visit
 * @see T3 T4 C9
 */
export function needOf(
  service: Service,
  { work, schedule, draws, rates, price }: ServiceFigures,
  house: House,
  index: HouseIndex,
  isAddOn: boolean,
): VisitNeed | undefined {
  const { materials, devices } = index;
  if (!work.ok || !schedule.ok || !draws.ok || !rates.ok || !price.ok) return undefined;
  const strands = strandsOf(schedule.value);
  const shelf = { ...index, mixes: recipesOf(service, index, house) };
  const linen = new Map<MaterialId, number>();
  for (const { materialId, consumed } of draws.value) {
    if (materials.get(materialId)?.kind !== 'linen') continue;
    linen.set(materialId, (linen.get(materialId) ?? 0) + consumed.usual);
  }
  return {
    service,
    addOns: [],
    work: work.value,
    roomKind: roomKindOf(service),
    isAddOn,
    slotMinutes: schedule.value.slotMinutes,
    roomMinutes: schedule.value.room.mean,
    hands: {
      therapist: attended(strands.hands.therapist),
      assistant: attended(strands.hands.assistant),
    },
    devices: new Map(
      deviceStrands(work.value, schedule.value, devices).map(({ device, pieces }) => [
        device.id,
        joined(pieces),
      ]),
    ),
    linen,
    hotTowels: hotTowelsOf(work.value, service),
    stretches: strands.room,
    contacts: contactsOf(schedule.value),
    restKinds: restKindsOf(work.value, shelf, devices),
    lasting: lastingWork(work.value, schedule.value, draws.value, shelf),
    therapistIds: rates.value.people.therapist.map(({ id }) => id),
    assistantIds: rates.value.people.assistant.map(({ id }) => id),
    contribution: price.value.oneMore.contribution,
  };
}

function attended(strand: readonly Segment[]): readonly Span[] {
  return joined(strand.filter(({ mark, from, to }) => mark !== 'free' && to > from));
}

/** Towels as they are taken from the warmer; those that were used before in the visit are not. */
function hotTowelsOf(protocol: WorkedProtocol, { visitKind }: Service): readonly HotTowels[] {
  const arrangement = arrange(protocol, visitKind);
  if (!arrangement.ok) return [];
  return [...turnsOf(arrangement.value)].flatMap(({ step: { removal }, startsAt }): HotTowels[] =>
    removal?.how === 'warm-towel' && removal.taking && removal.taking.again !== true
      ? [{ at: startsAt, pieces: removal.taking.pieces }]
      : [],
  );
}

/** When something lies on the skin that may not lie there for long. @see R4 T6 */
function contactsOf({ rows }: Schedule): readonly Span[] {
  return joined(
    rows.flatMap(({ contact, startsAt }): Span[] => {
      if (!contact) return [];
      const from = contact.clock?.startsAt ?? startsAt;
      return [{ from, to: from + contact.expectedMinutes }];
    }),
  );
}

/** The protocols that others offer to work within them. */
function offeredWithin({ protocols, editions, blocks }: House): ReadonlySet<string> {
  const writings = [...protocols, ...editions.map(({ protocol }) => protocol), ...blocks];
  return new Set(
    writings.flatMap(({ steps }) =>
      steps.flatMap((line) => ('offers' in line ? (line.offers ?? []) : [])),
    ),
  );
}
