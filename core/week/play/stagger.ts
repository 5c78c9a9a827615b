import type { Span } from '../../house/hours';
import type { DeviceId } from '../../house/ids';
import type { Device } from '../../house/house';
import { handsIn, type VisitNeed } from '../needs';
import { joined } from '../spans';

/** Something that only one of two visits can have at a time: when each needs it, and the minutes from one to the other. */
export interface Shared {
  readonly of: 'therapist' | 'assistant' | DeviceId;
  readonly first: readonly Span[];
  readonly second: readonly Span[];
  readonly between: number;
}

/** Two visits of which the second begins so many minutes after the first. */
export interface Offset {
  readonly minutes: number;
  /** the second begins before the first has no more need of what they share: it fits into a gap */
  readonly isNested: boolean;
}

const SAME = 1e-9;

/**
 * The least offset, on the grid of the house, at which two visits never need at the same time what they share.
 * @param gridMinutes above 0
 * @example
 * const hands = [{ from: 5, to: 29 }, { from: 35, to: 55 }];
 * leastOffset([{ of: 'therapist', first: hands, second: hands, between: 2 }], 5) // { minutes: 55, isNested: false }
 * @see W2
 */
export function leastOffset(shared: readonly Shared[], gridMinutes: number): Offset {
  const ends = shared.map(
    ({ first, second, between }) =>
      Math.max(0, ...first.map(({ to }) => to)) +
      (second.length === 0 ? 0 : between) -
      Math.min(...second.map(({ from }) => from), Number.POSITIVE_INFINITY),
  );
  const after = Math.max(0, ...ends.filter(Number.isFinite));
  for (let minutes = 0; ; minutes += gridMinutes) {
    if (minutes >= after - SAME) return { minutes, isNested: false };
    if (shared.every((each) => meetsNever(each, minutes))) return { minutes, isNested: true };
  }
}

/** Whether two visits never need something at the same time where the second begins so much later. */
export function meetsNever({ first, second, between }: Shared, offset: number): boolean {
  return second.every(({ from, to }) =>
    first.every(
      (one) => from + offset >= one.to + between - SAME || to + offset + between <= one.from + SAME,
    ),
  );
}

/**
 * What two visits in two rooms share: one therapist, one assistant where both need one and there is one, and devices
 * of which the house has one.
 */
export function sharedBy(
  first: VisitNeed,
  second: VisitNeed,
  devices: readonly Device[],
  walkMinutes: number,
  helped: 'helped' | 'alone',
): readonly Shared[] {
  const hands = (['therapist', 'assistant'] as const).map((role): Shared => ({
    of: role,
    first: handsIn(first, role, helped),
    second: handsIn(second, role, helped),
    between: walkMinutes,
  }));
  const single = devices.flatMap((device): Shared[] => {
    const [one, other] = [first, second].map((need) => need.devices.get(device.id));
    return device.count === 1 && one && other
      ? [{ of: device.id, first: one, second: other, between: walkMinutes }]
      : [];
  });
  return [...hands, ...single];
}

/** By what two visits are paired. */
export interface PairedBy {
  readonly walkMinutes: number;
  readonly gridMinutes: number;
  /** whether an assistant helps in both rooms */
  readonly helped: 'helped' | 'alone';
}

/** How two services go together in two rooms with one therapist. Minutes, minor units. */
export interface Pairing {
  readonly first: VisitNeed;
  readonly second: VisitNeed;
  readonly offset: Offset;
  /** from when hands are first needed to when they are free of both */
  readonly together: number;
  /** the same, both in one room: the second begins when the slot of the first ends */
  readonly inOneRoom: number;
  /** visits that an hour of the therapist carries */
  readonly visitsPerHour: number;
  /** contribution of both for an hour of the therapist */
  readonly perHour: number;
}

/**
 * How two services go together: the least offset, how long the therapist is with both, and what an hour of hands
 * then carries and brings.
 * @see W2
 */
export function pairingOf(
  first: VisitNeed,
  second: VisitNeed,
  devices: readonly Device[],
  { walkMinutes, gridMinutes, helped }: PairedBy,
): Pairing {
  const offset = leastOffset(sharedBy(first, second, devices, walkMinutes, helped), gridMinutes);
  const [one, other] = [first, second].map((need) => extent(handsIn(need, 'therapist', helped)));
  const lasting = (apart: number): number =>
    Math.max(one?.to ?? 0, (other?.to ?? 0) + apart) -
    Math.min(one?.from ?? 0, (other?.from ?? 0) + apart);
  const together = lasting(offset.minutes);
  const contribution = first.contribution + second.contribution;
  return {
    first,
    second,
    offset,
    together,
    inOneRoom: lasting(first.slotMinutes),
    visitsPerHour: together > 0 ? 120 / together : 0,
    perHour: together > 0 ? (contribution * 60) / together : 0,
  };
}

function extent(spans: readonly Span[]): Span | undefined {
  const [first] = spans;
  const last = spans.at(-1);
  return first && last ? { from: first.from, to: last.to } : undefined;
}

/** How each service goes with each, also with itself, the first named beginning first. Those within others are left out. */
export function pairingsOf(
  needs: readonly VisitNeed[],
  devices: readonly Device[],
  by: PairedBy,
): readonly Pairing[] {
  const visits = needs.filter(({ isAddOn }) => !isAddOn);
  return visits.flatMap((first) =>
    visits.flatMap((second): Pairing[] =>
      first.therapistIds.some((id) => second.therapistIds.includes(id))
        ? [pairingOf(first, second, devices, by)]
        : [],
    ),
  );
}

/**
 * When two visits want the same at once, where the second begins so many minutes after the first: stretches from the
 * beginning of the first, the walks between rooms counted in.
 * @see W2
 */
export function sharedMeets(
  first: VisitNeed,
  second: VisitNeed,
  offset: number,
  devices: readonly Device[],
  walkMinutes: number,
  helped: 'helped' | 'alone',
): readonly Span[] {
  return joined(
    sharedBy(first, second, devices, walkMinutes, helped).flatMap((shared) =>
      shared.second.flatMap(({ from, to }) =>
        shared.first.flatMap((one): Span[] => {
          const begins = Math.max(one.from - shared.between, from + offset);
          const ends = Math.min(one.to + shared.between, to + offset);
          return ends > begins + SAME ? [{ from: begins, to: ends }] : [];
        }),
      ),
    ),
  );
}
