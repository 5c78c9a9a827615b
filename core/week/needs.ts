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
import type { DeviceId, MaterialId, MixId, PersonId } from '../house/ids';
import type { HouseFigures, ServiceFigures } from '../figures/houseFigures';
import { arrange } from '../protocol/arrange';
import { deviceStrands } from '../time/deviceStrands';
import { strandsOf, type Segment } from '../time/strands';
import { turnsOf } from '../time/turns';
import { joined, spanMinutes } from './spans';

/** Towels that come out of the warmer at a minute of a visit. */
export interface HotTowels {
  readonly at: number;
  readonly pieces: number;
}

/** What one visit takes of the house, in expected minutes after its room is first used. */
export interface VisitNeed {
  readonly service: Service;
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
  /** mixes, and from which minute each is made */
  readonly mixes: readonly { readonly mixId: MixId; readonly at: number }[];
  /** who may perform it: named for it, and trained for what it works with */
  readonly therapistIds: readonly PersonId[];
  readonly assistantIds: readonly PersonId[];
  /** what one more visit adds, in minor units; what is owed anyhow is not taken off */
  readonly contribution: number;
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
  const { materials, devices } = indexHouse(house);
  return house.services.flatMap((service): VisitNeed[] => {
    const of = figures.services.get(service.id);
    if (!of) return [];
    const isAddOn = offered.has(service.protocolId);
    const from = [service, house.devices, house.materials, isAddOn];
    const before = known.get(of);
    if (before?.from.every((each, at) => each === from[at])) return [before.need];
    const need = needOf(service, of, { materials, devices }, isAddOn);
    if (need) known.set(of, { from, need });
    return need ? [need] : [];
  });
}

function needOf(
  service: Service,
  { work, schedule, draws, rates, price }: ServiceFigures,
  { materials, devices }: Pick<HouseIndex, 'materials' | 'devices'>,
  isAddOn: boolean,
): VisitNeed | undefined {
  if (!work.ok || !schedule.ok || !draws.ok || !rates.ok || !price.ok) return undefined;
  const strands = strandsOf(schedule.value);
  const linen = new Map<MaterialId, number>();
  for (const { materialId, consumed } of draws.value) {
    if (materials.get(materialId)?.kind !== 'linen') continue;
    linen.set(materialId, (linen.get(materialId) ?? 0) + consumed.usual);
  }
  return {
    service,
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
    mixes: mixesMade(work.value, service),
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

/** Mixes that are made in a visit, each time that one is. */
function mixesMade(protocol: WorkedProtocol, { visitKind }: Service): VisitNeed['mixes'] {
  const arrangement = arrange(protocol, visitKind);
  if (!arrangement.ok) return [];
  return [...turnsOf(arrangement.value)].flatMap(({ step: { makes = [] }, startsAt }) =>
    makes.map((mixId) => ({ mixId, at: startsAt })),
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
