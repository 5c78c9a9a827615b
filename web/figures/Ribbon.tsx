import { memo, useMemo } from 'react';
import type { Schedule } from '@bienestar/core/time/schedule';
import { strandsOf, type CapEdge, type Segment, type Strands } from '@bienestar/core/time/strands';
import { tailOf, type Tail } from '@bienestar/core/time/tail';
import { number, percent } from '../format/figures';
import { MARK_LOOK } from './markLook';
import { HANDS_WORDS } from '../parts/HandsMark';

interface RibbonProps {
  readonly schedule: Schedule;
  readonly selectedStepId?: string;
  readonly onSelect: (stepId: string) => void;
}

const STRETCH_WORDS = { 'set-up': 'set-up', visit: 'visit', reset: 'reset' } as const;
const TICK_MINUTES = 10;

/**
 * A treatment along the minutes: strands for the client, what is done meanwhile, each person's hands
 * and the room; caps as edges, and the likely spread of the end as a tail.
 */
export const Ribbon = memo(function Ribbon({ schedule, selectedStepId, onSelect }: RibbonProps) {
  const strands = useMemo(() => strandsOf(schedule), [schedule]);
  const tail = useMemo(() => tailOf(schedule.roomTime), [schedule]);
  const longest = Math.ceil((Math.max(schedule.slotMinutes, tail.to, strands.end) + 1) / 5) * 5;
  const at = (minutes: number): string => `${(minutes / longest) * 100}%`;
  const shared = { at, selectedStepId, onSelect };
  return (
    <section
      aria-label="Ribbon"
      className="border-t border-line bg-sheet px-6 pt-2 pb-3 select-none"
    >
      <div className="grid grid-cols-[5.5rem_1fr] items-center gap-y-1.5 text-xs">
        <span />
        <Axis longest={longest} at={at} slotMinutes={schedule.slotMinutes} />
        <Lane name="Client">
          <Pieces {...shared} pieces={strands.client} look={clientLook} tall named />
          <Caps caps={strands.caps} at={at} />
        </Lane>
        {strands.meanwhile.length > 0 && (
          <Lane name="meanwhile">
            <Pieces {...shared} pieces={strands.meanwhile} look={meanwhileLook} named />
          </Lane>
        )}
        <Lane name="Therapist">
          <Pieces {...shared} pieces={strands.hands.therapist} look={handsLook} />
        </Lane>
        {strands.hands.assistant.length > 0 && (
          <Lane name="Assistant">
            <Pieces {...shared} pieces={strands.hands.assistant} look={handsLook} />
          </Lane>
        )}
        <Lane name="Room">
          <RoomStrand strands={strands} at={at} />
          <TailCurve tail={tail} at={at} />
          <span
            aria-hidden
            className="absolute -top-24 bottom-0 w-px bg-clay"
            style={{ left: at(schedule.slotMinutes) }}
          />
        </Lane>
      </div>
    </section>
  );
});

function Lane({ name, children }: { readonly name: string; readonly children: React.ReactNode }) {
  return (
    <>
      <span className="text-ink-soft">{name}</span>
      <div className="relative h-[1.125rem] has-[.ribbon-tall]:h-6">{children}</div>
    </>
  );
}

type At = (minutes: number) => string;

interface AxisProps {
  readonly longest: number;
  readonly at: At;
  readonly slotMinutes: number;
}

function Axis({ longest, at, slotMinutes }: AxisProps) {
  const ticks = Array.from(
    { length: Math.floor(longest / TICK_MINUTES) + 1 },
    (_, tick) => tick * TICK_MINUTES,
  );
  return (
    <div aria-hidden className="relative h-4 text-ink-soft">
      {ticks
        .filter((tick) => Math.abs(tick - slotMinutes) > 3)
        .map((tick) => (
          <span
            key={tick}
            className="absolute -translate-x-1/2 first:translate-x-0"
            style={{ left: at(tick) }}
          >
            {tick === 0 ? '0 min' : tick}
          </span>
        ))}
      <span
        className="absolute -translate-x-1/2 font-semibold whitespace-nowrap text-clay"
        style={{ left: at(slotMinutes) }}
      >
        slot {number(slotMinutes)}
      </span>
    </div>
  );
}

interface PiecesProps {
  readonly pieces: readonly Segment[];
  readonly at: At;
  readonly look: (piece: Segment) => string;
  readonly selectedStepId?: string;
  readonly onSelect: (stepId: string) => void;
  readonly named?: boolean;
  readonly tall?: boolean;
}

function Pieces({
  pieces,
  at,
  look,
  selectedStepId,
  onSelect,
  named = false,
  tall = false,
}: PiecesProps) {
  return pieces.map((piece, order) => {
    const { stepId } = piece;
    const style = { left: at(piece.from), width: `calc(${at(piece.to - piece.from)} - 1px)` };
    const shape = `absolute inset-y-0 overflow-hidden border px-1 text-left leading-none ${tall ? 'ribbon-tall' : ''} ${look(piece)}`;
    const words = pieceWords(piece);
    if (stepId === undefined) {
      return <span key={`${order}-${piece.name}`} title={words} className={shape} style={style} />;
    }
    const chosen = stepId === selectedStepId ? 'outline-2 outline-ink z-10' : '';
    return (
      <button
        key={`${order}-${piece.name}`}
        type="button"
        tabIndex={-1}
        title={words}
        aria-label={words}
        onClick={() => onSelect(stepId)}
        className={`${shape} ${chosen} hover:brightness-95`}
        style={style}
      >
        {named && <span className="block truncate py-1">{piece.name}</span>}
      </button>
    );
  });
}

function pieceWords({ name, from, to, mark, layer }: Segment): string {
  const which = layer === undefined ? '' : `, layer ${layer}`;
  return `${name}${which}: minute ${number(from, 1)} to ${number(to, 1)}, ${HANDS_WORDS[mark]}`;
}

function clientLook(): string {
  return 'border-line-strong bg-sunk text-ink';
}

function meanwhileLook(): string {
  return 'border-palm bg-palm-wash text-ink';
}

function handsLook({ mark }: Segment): string {
  return MARK_LOOK[mark];
}

/** A leash above the client: from where a contact time begins to the edge at which it must end. */
function Caps({ caps, at }: { readonly caps: readonly CapEdge[]; readonly at: At }) {
  return caps.map((cap, order) => (
    <span
      key={`${cap.stepId}-${order}`}
      title={`At most ${number(cap.capMinutes)} min of contact; ${percent(cap.chancePast)} of visits pass it`}
      className={`absolute -top-1.5 h-1.5 border-t-2 border-r-2 ${cap.passed ? 'border-clay' : 'border-ink-soft'}`}
      style={{ left: at(cap.at - cap.capMinutes), width: at(cap.capMinutes) }}
    >
      {cap.passed && (
        <span className="absolute -top-4 right-0 bg-sheet px-1 font-bold whitespace-nowrap text-clay">
          ▲ past the cap of {number(cap.capMinutes)} min
        </span>
      )}
    </span>
  ));
}

function RoomStrand({ strands, at }: { readonly strands: Strands; readonly at: At }) {
  return strands.room.map(({ stretch, from, to }) => (
    <span
      key={stretch}
      className={`absolute inset-y-0 overflow-hidden border-b-2 px-1 text-ink-soft ${stretch === 'visit' ? 'border-palm' : 'border-line-strong'}`}
      style={{ left: at(from), width: at(to - from) }}
    >
      {STRETCH_WORDS[stretch]}
    </span>
  ));
}

function TailCurve({ tail, at }: { readonly tail: Tail; readonly at: At }) {
  const width = Math.max(tail.to - tail.from, 0.1);
  const line = tail.points.map(
    ({ minutes, height }) =>
      `${(((minutes - tail.from) / width) * 100).toFixed(2)},${(20 - height * 19).toFixed(2)}`,
  );
  return (
    <svg
      role="img"
      aria-label={`The room is most likely free between minute ${number(tail.from, 0)} and ${number(tail.to, 0)}`}
      className="absolute -top-1 h-[calc(100%+0.25rem)] overflow-visible"
      style={{ left: at(tail.from), width: at(width) }}
      viewBox="0 0 100 20"
      preserveAspectRatio="none"
    >
      <polygon
        points={`0,20 ${line.join(' ')} 100,20`}
        className="fill-clay/35 stroke-clay"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
