import { useRef, useState, type PointerEvent } from 'react';
import type { Span } from '@bienestar/core/house/house';
import { pulled, spansText } from '@bienestar/core/week/typedSpans';

/** What is drawn of a day. Minutes. */
const DRAWN = { from: 7 * 60, to: 22 * 60 };
const GRID = 15;

interface DayCellProps {
  readonly who: string;
  readonly day: string;
  readonly spans: readonly Span[];
  /** why it is otherwise than usual */
  readonly note?: string;
  readonly open: readonly Span[];
  readonly isHouse?: boolean;
  readonly isInHand: boolean;
  readonly onTake: () => void;
  readonly onChange: (spans: readonly Span[]) => void;
}

interface Pull {
  readonly which: number;
  readonly end: 'from' | 'to';
}

/** A day of somebody: drawn along the hours, its ends to be pulled, and written below. */
export function DayCell(props: DayCellProps) {
  const { who, spans, note, open, isHouse = false, isInHand, onTake, onChange } = props;
  const strip = useRef<HTMLDivElement>(null);
  const [pull, setPull] = useState<Pull>();
  const [shown, setShown] = useState<readonly Span[]>();
  const drawn = shown ?? spans;
  const at = (minute: number): string =>
    `${((Math.min(DRAWN.to, Math.max(DRAWN.from, minute)) - DRAWN.from) / (DRAWN.to - DRAWN.from)) * 100}%`;
  const minuteAt = (x: number): number => {
    const box = strip.current?.getBoundingClientRect();
    return box ? DRAWN.from + ((x - box.left) / box.width) * (DRAWN.to - DRAWN.from) : DRAWN.from;
  };
  /* By the event and not by what was drawn last: a quick hand lets go before that. */
  const pulledTo = ({ which, end }: Pull, event: PointerEvent): readonly Span[] => {
    const before = spans[which - 1]?.to ?? 0;
    const after = spans[which + 1]?.from ?? 24 * 60;
    const within = { before, after, grid: GRID };
    return spans.map((span, at) =>
      at === which ? pulled(span, end, minuteAt(event.clientX), within) : span,
    );
  };
  const letGo = (event: PointerEvent): void => {
    if (!pull) return;
    const next = pulledTo(pull, event);
    if (shown && spansText(next) !== spansText(spans)) onChange(next);
    setPull(undefined);
    setShown(undefined);
  };
  const text = drawn.length === 0 ? (isHouse ? 'closed' : 'off') : spansText(drawn);
  return (
    <td className={`py-2 pr-2 align-top ${isInHand ? 'bg-palm-wash' : ''}`}>
      <div ref={strip} className="relative h-4 border-b border-line-strong">
        {!isHouse &&
          open.map(({ from, to }) => (
            <span
              key={from}
              className="absolute inset-y-0 bg-sunk"
              style={{ left: at(from), width: `calc(${at(to)} - ${at(from)})` }}
            />
          ))}
        {drawn.map(({ from, to }, which) => (
          <span
            key={which}
            className={`absolute inset-y-0 border ${isHouse ? 'border-palm bg-palm' : 'mark-hands-on'}`}
            style={{ left: at(from), width: `calc(${at(to)} - ${at(from)})` }}
          >
            {(['from', 'to'] as const).map((end) => (
              <span
                key={end}
                aria-hidden
                title="Pull to change the hours"
                className={`absolute inset-y-0 w-2.5 cursor-ew-resize touch-none hover:bg-ink/40 ${end === 'from' ? 'left-0' : 'right-0'}`}
                onPointerDown={(event) => {
                  event.currentTarget.setPointerCapture(event.pointerId);
                  setPull({ which, end });
                }}
                onPointerMove={(event) => pull && setShown(pulledTo(pull, event))}
                onPointerUp={letGo}
                onPointerCancel={() => {
                  setPull(undefined);
                  setShown(undefined);
                }}
              />
            ))}
          </span>
        ))}
      </div>
      <button
        type="button"
        aria-pressed={isInHand}
        aria-label={`${who}: ${text}${note === undefined ? '' : `, ${note}`}`}
        onClick={onTake}
        className="block w-full pt-0.5 text-left text-xs hover:underline"
      >
        <span className={drawn.length === 0 ? 'text-ink-soft' : ''}>{text}</span>
        {note !== undefined && <span className="block text-clay">{note}</span>}
      </button>
    </td>
  );
}
