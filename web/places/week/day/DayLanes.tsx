import {
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import type { Room, Span } from '@bienestar/core/house/house';
import type { RoomId } from '@bienestar/core/house/ids';
import { thereOn, type ConflictKind } from '@bienestar/core/week/day/conflicts';
import { keyInHand, type DayVisit } from '@bienestar/core/week/day/dayVisits';
import { gapsOf } from '@bienestar/core/week/day/fits';
import { occupiedBy, slotOf } from '@bienestar/core/week/day/occupied';
import { openOn } from '@bienestar/core/week/openTimes';
import { number } from '../../../format/figures';
import { useHouse } from '../../../store/house';
import { clock, ROOM_KIND_WORDS } from '../weekWords';
import { workName } from '@bienestar/core/week/needs';
import { warmUps } from '@bienestar/core/week/day/sharedWork';
import { visitWords } from './conflictWords';
import { DayLegend, Faults, Hours, Open, Strand, VisitStrands } from './DayStrands';
import type { DayInHand } from './useDay';

const BESIDE = 30;
const USUAL = { from: 9 * 60, to: 19 * 60 };
const LEAST_GAP = 15;
const LANE = 'relative h-[4.75rem] border-b border-line';
const ROOM_FAULTS: readonly ConflictKind[] = ['room-twice', 'room-kind'];
const HANDS_FAULTS: readonly ConflictKind[] = ['hands-twice', 'no-walk', 'not-there', 'may-not'];
const DEVICE_FAULTS: readonly ConflictKind[] = ['device'];
/** Pixels that a press may move before it is a pull. */
const STILL = 4;

interface DayLanesProps {
  readonly day: DayInHand;
  readonly takenKey: string | undefined;
  readonly onTake: (key: string) => void;
  readonly onGap: (roomId: RoomId, gap: Span) => void;
}

interface Pull {
  readonly visit: DayVisit;
  readonly x: number;
  readonly y: number;
  readonly starts: number;
  readonly roomId?: RoomId;
  readonly hasMoved: boolean;
}

/** Rooms, people and devices as lanes along the clock; visits are pulled along and between rooms, or moved by keys. */
export function DayLanes({ day, takenKey, onTake, onGap }: DayLanesProps) {
  const house = useHouse();
  const { rooms, people, devices, settings } = house;
  const { visits, conflicts } = day;
  const strip = useRef<HTMLDivElement>(null);
  const [pull, setPull] = useState<Pull>();
  const grid = settings.slotGridMinutes;
  const open = settings.openHours ? openOn(day.day, settings.openHours).spans : [];
  const range = useMemo(() => {
    const edges = [...open, ...visits.map(slotOf)];
    const from = Math.min(USUAL.to, ...edges.map((span) => span.from));
    const to = Math.max(USUAL.from, ...edges.map((span) => span.to));
    return edges.length === 0
      ? USUAL
      : { from: Math.floor((from - BESIDE) / 30) * 30, to: Math.ceil((to + BESIDE) / 30) * 30 };
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- by what is drawn
  }, [visits, day.day, settings.openHours]);
  const length = range.to - range.from;
  const at = (minute: number): string => `${((minute - range.from) / length) * 100}%`;
  const wide = (minutes: number): string => `${(minutes / length) * 100}%`;
  const shown = pull?.hasMoved
    ? visits.map((visit) =>
        visit.key === pull.visit.key
          ? { ...visit, starts: pull.starts, roomId: pull.roomId }
          : visit,
      )
    : visits;
  const inConflict = new Set(conflicts.flatMap(({ visits: of }) => of.at(-1)?.key ?? []));
  const occupied = useMemo(() => occupiedBy(visits), [visits]);
  const gaps = useMemo(
    () =>
      gapsOf({ day: day.day, visits }, house).filter(({ gap }) => gap.to - gap.from >= LEAST_GAP),
    [day.day, visits, house],
  );

  const roomAt = (y: number): RoomId | undefined => {
    const lanes = strip.current?.querySelectorAll<HTMLElement>('[data-room]') ?? [];
    for (const lane of lanes) {
      const box = lane.getBoundingClientRect();
      if (y >= box.top && y < box.bottom) return lane.dataset.room as RoomId;
    }
    return undefined;
  };
  const begin = (event: PointerEvent, visit: DayVisit): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    const { starts, roomId } = visit;
    setPull({ visit, x: event.clientX, y: event.clientY, starts, roomId, hasMoved: false });
  };
  /* By the event and not by what was drawn last: a quick hand lets go before that. */
  const pulledTo = (from: Pull, event: PointerEvent): Pull => {
    const [byX, byY] = [event.clientX - from.x, event.clientY - from.y];
    if (!from.hasMoved && Math.hypot(byX, byY) < STILL) return from;
    const perPixel = length / Math.max(1, strip.current?.clientWidth ?? 1);
    const starts = Math.round((from.visit.starts + byX * perPixel) / grid) * grid;
    return {
      ...from,
      starts: Math.min(24 * 60 - grid, Math.max(0, starts)),
      roomId: roomAt(event.clientY) ?? from.roomId,
      hasMoved: true,
    };
  };
  const move = (event: PointerEvent): void => {
    if (pull) setPull(pulledTo(pull, event));
  };
  const letGo = (event: PointerEvent): void => {
    if (!pull) return;
    const { visit, starts, roomId, hasMoved } = pulledTo(pull, event);
    if (hasMoved) void day.place(visit, { starts, ...(roomId && { roomId }) });
    onTake(keyInHand(visit));
    setPull(undefined);
  };
  const onKey = (event: KeyboardEvent, visit: DayVisit): void => {
    const by = { ArrowLeft: -grid, ArrowRight: grid }[event.key];
    const lane = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (by === undefined && lane === undefined) return;
    event.preventDefault();
    if (by !== undefined) void day.place(visit, { starts: Math.max(0, visit.starts + by) });
    if (lane !== undefined) {
      const next = rooms[rooms.findIndex(({ id }) => id === visit.roomId) + lane];
      if (next) void day.place(visit, { roomId: next.id });
    }
  };
  const ribbon = (visit: DayVisit): ReactNode => (
    <button
      key={visit.key}
      type="button"
      aria-pressed={takenKey === keyInHand(visit)}
      className={`absolute inset-y-1 flex touch-none flex-col overflow-hidden border text-left text-xs leading-tight ${visit.placed ? 'border-ink' : 'border-dashed border-line-strong'} ${inConflict.has(visit.key) ? 'bg-clay-wash' : 'bg-sheet'} ${takenKey === keyInHand(visit) ? 'z-10 outline-2 outline-ink' : ''} cursor-grab`}
      style={{ left: at(visit.starts), width: wide(visit.need.slotMinutes) }}
      onPointerDown={(event) => begin(event, visit)}
      onPointerMove={move}
      onPointerUp={letGo}
      onPointerCancel={() => setPull(undefined)}
      onClick={(event) => {
        if (event.detail === 0) onTake(keyInHand(visit));
      }}
      onKeyDown={(event) => onKey(event, visit)}
    >
      <span className="w-full truncate px-1 pt-0.5">
        {inConflict.has(visit.key) && (
          <span aria-hidden className="text-clay">
            ▲{' '}
          </span>
        )}
        {workName(visit.need)}
      </span>{' '}
      <span className="w-full truncate px-1 text-ink-soft">{shortWords(visit)}</span>
      <span className="sr-only">
        {number(visit.need.slotMinutes)} minutes{visit.placed ? '' : ', not kept yet'}
        {inConflict.has(visit.key) ? ', does not fit' : ''}
      </span>
      <VisitStrands visit={visit} />
    </button>
  );
  const nowhere = shown.filter(({ roomId }) => roomId === undefined);
  const faultsOf = (kinds: readonly ConflictKind[], name: string): readonly Span[] =>
    conflicts.flatMap((each) => (kinds.includes(each.kind) && each.name === name ? each.span : []));
  return (
    <>
      <div className="grid min-w-[52rem] grid-cols-[6.5rem_1fr] text-sm">
        <div className="pt-5">
          {rooms.map((room) => (
            <LaneName key={room.id} room={room} />
          ))}
          {nowhere.length > 0 && (
            <span className="block h-[4.75rem] pt-2 text-clay">▲ nowhere yet</span>
          )}
          <div className="h-3" />
          {people
            .filter(({ hours }) => hours)
            .map(({ id, name }) => (
              <span key={id} className="block h-6 truncate leading-6">
                {name}
              </span>
            ))}
          {devices
            .filter(({ id }) => occupied.devices.has(id))
            .map(({ id, name }) => (
              <span key={id} className="block h-6 truncate text-xs leading-6 text-ink-soft">
                {name}
              </span>
            ))}
        </div>
        <div ref={strip} className="relative">
          <Hours range={range} at={at} />
          {rooms.map(({ id, name }) => (
            <div key={id} data-room={id} className={LANE}>
              <Open spans={open} at={at} wide={wide} />
              {gaps
                .filter(({ roomId }) => roomId === id)
                .map(({ gap }) => (
                  <button
                    key={gap.from}
                    type="button"
                    aria-label={`${name}, free from ${clock(gap.from)} to ${clock(gap.to)}: what fits here?`}
                    title="What fits here?"
                    onClick={() => onGap(id, gap)}
                    className="absolute inset-y-0 hover:bg-palm-wash"
                    style={{ left: at(gap.from), width: wide(gap.to - gap.from) }}
                  />
                ))}
              {shown.filter(({ roomId }) => roomId === id).map(ribbon)}
              <Faults spans={faultsOf(ROOM_FAULTS, name)} at={at} wide={wide} />
            </div>
          ))}
          {nowhere.length > 0 && <div className={LANE}>{nowhere.map(ribbon)}</div>}
          <div className="h-3" />
          {people
            .filter(({ hours }) => hours)
            .map((person) => (
              <Strand
                key={person.id}
                there={thereOn(person, day.day, house)}
                faults={faultsOf(HANDS_FAULTS, person.name)}
                taken={(occupied.people.get(person.id) ?? []).map(({ from, to, visit }) => ({
                  from,
                  to,
                  words: visitWords(visit),
                }))}
                at={at}
                wide={wide}
              />
            ))}
          {devices
            .filter(({ id }) => occupied.devices.has(id))
            .map((device) => (
              <Strand
                key={device.id}
                there={[]}
                faults={faultsOf(DEVICE_FAULTS, device.name)}
                taken={(occupied.devices.get(device.id) ?? []).map(({ from, to, visit }) => ({
                  from,
                  to,
                  words: visitWords(visit),
                }))}
                before={warmUps(device, visits)}
                at={at}
                wide={wide}
                ruled
              />
            ))}
        </div>
      </div>
      <DayLegend />
    </>
  );
}

/** When and for whom a visit is. */
function shortWords({ starts, name }: DayVisit): string {
  return name === '' ? clock(starts) : `${clock(starts)} ${name}`;
}

function LaneName({ room: { name, kind } }: { readonly room: Room }) {
  return (
    <span className="block h-[4.75rem] border-b border-line pt-2">
      <span className="block font-serif text-base leading-tight">{name}</span>
      <span className="block text-xs text-ink-soft">{ROOM_KIND_WORDS[kind]}</span>
    </span>
  );
}
