import type { House, Role } from '../../house/house';
import type { Span } from '../../house/hours';
import type { DeviceId, PersonId, RoomId } from '../../house/ids';
import type { DayVisit } from './dayVisits';
import { handsIn } from '../needs';

/** A stretch of a day in which something is taken. Minutes of the day. */
export interface Taken extends Span {
  readonly visit: DayVisit;
}

/** Who and what is taken when on a day. */
export interface Occupied {
  readonly rooms: ReadonlyMap<RoomId, readonly Taken[]>;
  readonly people: ReadonlyMap<PersonId, readonly Taken[]>;
  readonly devices: ReadonlyMap<DeviceId, readonly Taken[]>;
}

/** The time in which a visit has its room: its slot. */
export function slotOf({ starts, need }: Pick<DayVisit, 'starts' | 'need'>): Span {
  return { from: starts, to: starts + need.slotMinutes };
}

/** Stretches of a visit, counted from midnight. */
export function ofDay(spans: readonly Span[], starts: number): readonly Span[] {
  return spans.map(({ from, to }) => ({ from: starts + from, to: starts + to }));
}

/** What the visits of a day take: each its room for its slot, people and devices while they are needed. */
export function occupiedBy(visits: readonly DayVisit[]): Occupied {
  const rooms = new Map<RoomId, Taken[]>();
  const people = new Map<PersonId, Taken[]>();
  const devices = new Map<DeviceId, Taken[]>();
  const note = <K>(map: Map<K, Taken[]>, key: K, spans: readonly Span[], visit: DayVisit): void => {
    const known = map.get(key) ?? [];
    map.set(key, known);
    for (const span of spans) known.push({ ...span, visit });
  };
  for (const visit of visits) {
    const { need, starts, roomId } = visit;
    if (roomId && !need.isAddOn) note(rooms, roomId, [slotOf(visit)], visit);
    for (const role of ['therapist', 'assistant'] as const) {
      const id = whoOf(visit, role);
      if (id) note(people, id, stretchesOf(visit, role), visit);
    }
    for (const [id, spans] of need.devices) note(devices, id, ofDay(spans, starts), visit);
  }
  return { rooms, people, devices };
}

/** When hands of a role are needed in a visit, as it is staffed. Minutes of the day. */
export function stretchesOf(visit: DayVisit, role: Role): readonly Span[] {
  const helped = visit.assistantId === undefined ? 'alone' : 'helped';
  return ofDay(handsIn(visit.need, role, helped), visit.starts);
}

/** Who of a role works in a visit. */
export function whoOf(visit: DayVisit, role: Role): PersonId | undefined {
  return role === 'therapist' ? visit.therapistId : visit.assistantId;
}

/**
 * The stretches in which more of something is taken at once than there is, with the visits that take it.
 * @param count how many there are
 */
export function tooMany(
  taken: readonly Taken[],
  count: number,
): readonly { readonly span: Span; readonly visits: readonly DayVisit[] }[] {
  const edges = [...new Set(taken.flatMap(({ from, to }) => [from, to]))].toSorted((a, b) => a - b);
  const found: { span: { from: number; to: number }; visits: DayVisit[] }[] = [];
  for (const [at, from] of edges.entries()) {
    const to = edges[at + 1];
    if (to === undefined || to - from < SAME) continue;
    const there = taken.filter((each) => each.from < to - SAME && each.to > from + SAME);
    const visits = [...new Set(there.map(({ visit }) => visit))];
    if (visits.length <= count) continue;
    const last = found.at(-1);
    if (
      last?.span.to === from &&
      last.visits.length === visits.length &&
      visits.every((visit) => last.visits.includes(visit))
    ) {
      last.span.to = to;
    } else found.push({ span: { from, to }, visits });
  }
  return found;
}

const SAME = 1e-6;

/** A device by its id, and how many the house has. */
export function countOf(id: DeviceId, { devices }: Pick<House, 'devices'>): number {
  return devices.find((device) => device.id === id)?.count ?? 0;
}
