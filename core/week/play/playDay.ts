import FlatQueue from 'flatqueue';
import { Chance } from '../../restock/chance';
import { meanMinutes } from '../../time/distribution';
import type { DeviceId, PersonId, RoomId } from '../../house/ids';
import type { Role } from '../../house/house';
import { drawPace, sampledTime, type SampledTime } from './sampledTime';
import {
  WAITS_FOR,
  type DayPlayed,
  type PlayedDay,
  type PlayedVisit,
  type VisitPlayed,
  type WaitsFor,
} from './playedDay';
import type { PartNeeds, VisitPart } from './visitParts';

const SAME = 1e-9;
/** Delays are kept by tenths of a minute up to four hours. */
const LATE_CELLS = 2400;

interface Kept {
  readonly visit: PlayedVisit;
  readonly parts: readonly {
    readonly time: SampledTime;
    readonly own?: SampledTime;
    readonly part: VisitPart;
  }[];
  /** expected minutes from the start until the guest comes in */
  readonly guestAfter: number;
  readonly next?: number;
  took: number;
  late: Float64Array;
  lateSum: number;
  lateOften: number;
  waits: Record<WaitsFor, number>;
  tooLong: number;
  delays: number;
  idle: number;
  followed: number;
}

const noWaits = (): Record<WaitsFor, number> => ({
  room: 0,
  therapist: 0,
  assistant: 0,
  device: 0,
  guest: 0,
});

/** A day that is played through, run after run: seeded, so that the same day comes out the same. */
export class DayPlay {
  readonly #day: PlayedDay;
  readonly #visits: Kept[];
  readonly #firsts: readonly number[];
  readonly #chance: Chance;
  #runs = 0;
  #afterClosing = 0;
  #overtime = 0;
  #towelsShort = 0;

  constructor(day: PlayedDay, seed: number) {
    this.#day = day;
    this.#chance = new Chance(seed);
    const inOrder = day.visits.toSorted((a, b) => a.starts - b.starts);
    const last = new Map<string, number>();
    const nextOf = new Map<number, number>();
    const firsts: number[] = [];
    inOrder.forEach(({ roomId }, at) => {
      const before = last.get(roomId);
      if (before === undefined) firsts.push(at);
      else nextOf.set(before, at);
      last.set(roomId, at);
    });
    this.#firsts = firsts;
    this.#visits = inOrder.map((visit, at): Kept => {
      const next = nextOf.get(at);
      const before = visit.parts.findIndex(({ withGuest }) => withGuest);
      return {
        visit,
        parts: visit.parts.map((part) => ({
          part,
          time: sampledTime(part.time),
          ...(part.then && { own: sampledTime(part.then.own) }),
        })),
        guestAfter: visit.parts
          .slice(0, Math.max(0, before))
          .reduce((sum, { time }) => sum + meanMinutes(time), 0),
        ...(next !== undefined && { next }),
        took: 0,
        late: new Float64Array(LATE_CELLS + 1),
        lateSum: 0,
        lateOften: 0,
        waits: noWaits(),
        tooLong: 0,
        delays: 0,
        idle: 0,
        followed: 0,
      };
    });
  }

  /** Plays the day so many times more. @see W3 T7 */
  play(runs: number): void {
    for (let run = 0; run < runs; run += 1) this.#once();
    this.#runs += runs;
  }

  #once(): void {
    const { walkMinutes, closes, guestLateness, noShows } = this.#day;
    const chance = this.#chance;
    const people = new Map<PersonId, { free: number; room: RoomId }>();
    const devices = new Map<DeviceId, number[]>(
      this.#day.devices.map(({ id, count }) => [id, Array.from({ length: count }, () => 0)]),
    );
    const towels: { readonly at: number; readonly pieces: number }[] = [];
    const waiting = new FlatQueue();
    const going = this.#visits.map(() => ({ at: 0, pace: 1, guestAt: 0, waited: 0 }));
    const readyAt = new Float64Array(this.#visits.length);
    let ended = 0;
    const begin = (visit: number, roomFree: number): void => {
      const kept = this.#visits[visit];
      const state = going[visit];
      if (!kept || !state) return;
      if (noShows > 0 && chance.unit() < noShows) {
        if (kept.next !== undefined) begin(kept.next, roomFree);
        return;
      }
      const lateness =
        guestLateness.length === 0
          ? 0
          : (guestLateness[Math.floor(chance.unit() * guestLateness.length)] ?? 0);
      state.pace = drawPace(chance);
      state.guestAt = kept.visit.starts + kept.guestAfter + lateness;
      if (guestLateness.length === 0) state.guestAt = 0;
      kept.waits.room += Math.max(0, roomFree - kept.visit.starts);
      const at = Math.max(kept.visit.starts, roomFree);
      readyAt[visit] = at;
      waiting.push(visit, at);
    };
    for (const first of this.#firsts) begin(first, 0);
    for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
      const kept = this.#visits[at];
      const state = going[at];
      const step = kept?.parts[state?.at ?? 0];
      if (!kept || !state || !step) continue;
      let ready = readyAt[at] ?? 0;
      const { part } = step;
      if (part.withGuest && state.guestAt > ready) {
        kept.waits.guest += state.guestAt - ready;
        ready = state.guestAt;
      }
      const { starts } = kept.visit;
      const free = this.#freeFor(part.needs, kept.visit, people, devices, walkMinutes);
      const start = Math.max(ready, free.at);
      if (start > ready + SAME) {
        kept.waits[free.by] += start - ready;
        if (part.withGuest && (free.by === 'therapist' || free.by === 'assistant')) {
          state.waited = Math.max(state.waited, start - ready);
        }
      }
      if (state.at === 0) {
        const late = Math.max(0, start - starts);
        const cell = Math.min(LATE_CELLS, Math.round(late * 10));
        kept.took += 1;
        kept.late[cell] = (kept.late[cell] ?? 0) + 1;
        kept.lateSum += late;
        if (late > this.#day.lateMinutes + SAME) kept.lateOften += 1;
      }
      if (part.hotTowels > 0) towels.push({ at: start, pieces: part.hotTowels });
      const time = step.time.draw(state.pace, chance);
      const worked = start + time;
      hold(part.needs, kept.visit, people, devices, { since: -1, until: worked });
      let end = worked;
      if (step.own && part.then) {
        end = Math.max(end, start + step.own.draw(state.pace, chance));
        hold(part.then.needs, kept.visit, people, devices, { since: worked, until: end });
      }
      state.at += 1;
      if (state.at < kept.parts.length) {
        readyAt[at] = end;
        waiting.push(at, end);
        continue;
      }
      ended = Math.max(ended, end);
      if (state.waited > this.#day.waitMinutes + SAME) kept.tooLong += 1;
      if (kept.next !== undefined) {
        const following = this.#visits[kept.next];
        const gap = (following?.visit.starts ?? end) - end;
        kept.followed += 1;
        kept.idle += Math.max(0, gap);
        if (gap < -this.#day.lateMinutes - SAME) kept.delays += 1;
        begin(kept.next, end);
      }
    }
    if (closes !== undefined && ended > closes + SAME) {
      this.#afterClosing += 1;
      this.#overtime += ended - closes;
    }
    if (this.#areShort(towels)) this.#towelsShort += 1;
  }

  #freeFor(
    { roles, devices }: PartNeeds,
    visit: PlayedVisit,
    people: ReadonlyMap<PersonId, { free: number; room: RoomId }>,
    free: ReadonlyMap<DeviceId, readonly number[]>,
    walkMinutes: number,
  ): { readonly at: number; readonly by: WaitsFor } {
    let found: { at: number; by: WaitsFor } = { at: 0, by: 'therapist' };
    for (const role of roles) {
      const id = personOf(visit, role);
      const person = id === undefined ? undefined : people.get(id);
      if (!person) continue;
      const at = person.free + (person.room === visit.roomId ? 0 : walkMinutes);
      /* Who does the work of an assistant, too, is waited for as who they are. */
      if (at > found.at) found = { at, by: id === visit.therapistId ? 'therapist' : role };
    }
    for (const id of devices) {
      const at = Math.min(...(free.get(id) ?? [0]));
      if (at > found.at) found = { at, by: 'device' };
    }
    return found;
  }

  /** Whether at any time more hot towels were taken than are ready by then. */
  #areShort(taken: readonly { readonly at: number; readonly pieces: number }[]): boolean {
    const warmers = this.#day.devices.filter(({ heats }) => heats);
    if (warmers.length === 0 || taken.length === 0) return false;
    const holds = warmers.reduce((sum, { heats, count }) => sum + (heats?.pieces ?? 0) * count, 0);
    const takes = Math.max(...warmers.map(({ heats }) => heats?.minutes ?? 0));
    const inOrder = taken.toSorted((a, b) => a.at - b.at);
    let from = 0;
    let out = 0;
    for (const each of inOrder) {
      out += each.pieces;
      for (let old = inOrder[from]; old && old.at <= each.at - takes; old = inOrder[from]) {
        out -= old.pieces;
        from += 1;
      }
      if (out > holds) return true;
    }
    return false;
  }

  /** What came of all runs until now. */
  figures(): DayPlayed {
    const visits = this.#visits.map(playedOf);
    const took = this.#visits.reduce((sum, kept) => sum + kept.took, 0);
    const all = new Float64Array(LATE_CELLS + 1);
    for (const { late } of this.#visits)
      late.forEach((often, cell) => (all[cell] = (all[cell] ?? 0) + often));
    const perVisit = (of: (kept: Kept) => number): number =>
      took > 0 ? this.#visits.reduce((sum, kept) => sum + of(kept), 0) / took : 0;
    const waits = noWaits();
    for (const what of WAITS_FOR) waits[what] = perVisit((kept) => kept.waits[what]);
    const perRun = (count: number): number => (this.#runs > 0 ? count / this.#runs : 0);
    return {
      runs: this.#runs,
      visits,
      meanLate: perVisit(({ lateSum }) => lateSum),
      p90Late: quantileOf(all, took),
      shareLate: perVisit(({ lateOften }) => lateOften),
      waits,
      shareAfterClosing: perRun(this.#afterClosing),
      meanOvertime: perRun(this.#overtime),
      shareTowelsShort: perRun(this.#towelsShort),
    };
  }
}

function personOf(visit: PlayedVisit, role: Role): PersonId | undefined {
  /* Where no assistant helps, the therapist does it. */
  return role === 'therapist' ? visit.therapistId : (visit.assistantId ?? visit.therapistId);
}

/** Takes people and devices until a minute; a device that is held already since then goes on. */
function hold(
  { roles, devices }: PartNeeds,
  visit: PlayedVisit,
  people: Map<PersonId, { free: number; room: RoomId }>,
  free: ReadonlyMap<DeviceId, number[]>,
  { since, until }: { readonly since: number; readonly until: number },
): void {
  for (const role of roles) {
    const id = personOf(visit, role);
    if (id !== undefined) people.set(id, { free: until, room: visit.roomId });
  }
  for (const id of devices) {
    const each = free.get(id);
    if (!each || each.length === 0) continue;
    const held = each.indexOf(since);
    each[held >= 0 ? held : each.indexOf(Math.min(...each))] = until;
  }
}

function playedOf(kept: Kept): VisitPlayed {
  const { visit, took, lateSum, lateOften, waits, tooLong, delays, idle, followed, late } = kept;
  const share = (count: number, of = took): number => (of > 0 ? count / of : 0);
  const mean = noWaits();
  for (const what of WAITS_FOR) mean[what] = share(waits[what]);
  return {
    key: visit.key,
    meanLate: share(lateSum),
    p90Late: quantileOf(late, took),
    shareLate: share(lateOften),
    waits: mean,
    waitsForHands: mean.therapist + mean.assistant,
    shareWaitedTooLong: share(tooLong),
    shareDelaysNext: share(delays, followed),
    meanIdle: share(idle, followed),
  };
}

/** Minutes that nine of ten are at most. */
function quantileOf(late: Float64Array, all: number): number {
  let sum = 0;
  for (let cell = 0; cell < late.length; cell += 1) {
    sum += late[cell] ?? 0;
    if (sum >= 0.9 * all - SAME) return cell / 10;
  }
  return 0;
}
