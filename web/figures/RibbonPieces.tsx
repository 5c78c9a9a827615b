import { useState, type DragEvent, type PointerEvent } from 'react';
import type { Minutes } from '@bienestar/core/house/house';
import type { Segment } from '@bienestar/core/time/strands';
import { stretchedMinutes } from '@bienestar/core/time/stretchedMinutes';
import { number } from '../format/figures';
import { HANDS_WORDS } from '../parts/HandsMark';
import type { At } from './RibbonMarks';

interface PiecesProps {
  readonly pieces: readonly Segment[];
  readonly at: At;
  readonly look: (piece: Segment) => string;
  readonly selectedStepId?: string;
  readonly onSelect: (stepId: string) => void;
  readonly onMinutes?: (stepId: string, minutes: Minutes) => void;
  readonly onDropInto?: (stepId: string, hostId: string) => void;
  readonly minutesPerPixel: () => number;
  readonly named?: boolean;
  /** a step may be dropped into the pieces in which hands are free */
  readonly drops?: boolean;
}

const DRAGGED = 'application/x-bienestar-step';

/** The pieces of a strand. */
export function Pieces({ pieces, named = false, drops = false, ...rest }: PiecesProps) {
  return pieces.map((piece, order) => (
    <Piece key={`${order}-${piece.name}`} piece={piece} named={named} drops={drops} {...rest} />
  ));
}

type PieceProps = Omit<PiecesProps, 'pieces'> & { readonly piece: Segment };

function Piece({
  piece,
  at,
  look,
  selectedStepId,
  onSelect,
  onMinutes,
  onDropInto,
  minutesPerPixel,
  named,
  drops,
}: PieceProps) {
  const [over, setOver] = useState(false);
  const { stepId } = piece;
  const style = { left: at(piece.from), width: `calc(${at(piece.to - piece.from)} - 1px)` };
  const shape = `absolute inset-y-0 overflow-hidden border px-1 text-left leading-none ${look(piece)}`;
  const words = pieceWords(piece);
  if (stepId === undefined) {
    return <span title={words} className={shape} style={style} />;
  }
  const chosen = stepId === selectedStepId ? 'outline-2 outline-ink z-10' : '';
  const opens = drops === true && piece.mark === 'free' && onDropInto !== undefined;
  const onDrop = (event: DragEvent): void => {
    event.preventDefault();
    setOver(false);
    const dropped = event.dataTransfer.getData(DRAGGED);
    if (dropped !== '' && dropped !== stepId) onDropInto?.(dropped, stepId);
  };
  return (
    <button
      type="button"
      tabIndex={-1}
      title={words}
      aria-label={words}
      draggable={named}
      onDragStart={(event) => event.dataTransfer.setData(DRAGGED, stepId)}
      {...(opens && {
        onDragOver: (event: DragEvent) => {
          event.preventDefault();
          setOver(true);
        },
        onDragLeave: () => setOver(false),
        onDrop,
      })}
      onClick={() => onSelect(stepId)}
      className={`${shape} ${chosen} ${over ? 'bg-palm-wash!' : ''} hover:brightness-95`}
      style={style}
    >
      {named && <span className="block truncate py-1">{piece.name}</span>}
      {named && onMinutes && (
        <Edge
          piece={piece}
          minutesPerPixel={minutesPerPixel}
          onMinutes={onMinutes}
          stepId={stepId}
        />
      )}
    </button>
  );
}

interface EdgeProps {
  readonly piece: Segment;
  readonly stepId: string;
  readonly minutesPerPixel: () => number;
  readonly onMinutes: (stepId: string, minutes: Minutes) => void;
}

/** The end of a piece, by which its minutes are pulled longer or shorter. */
function Edge({ piece, stepId, minutesPerPixel, onMinutes }: EdgeProps) {
  const [from, setFrom] = useState<{ readonly x: number; readonly minutes: Minutes }>();
  const pull = (event: PointerEvent): void => {
    if (!from) return;
    const by = Math.round((event.clientX - from.x) * minutesPerPixel() * 2) / 2;
    onMinutes(stepId, stretchedMinutes(from.minutes, by));
  };
  return (
    <span
      aria-hidden
      title="Pull to change the minutes"
      className="absolute inset-y-0 right-0 w-1.5 cursor-ew-resize touch-none hover:bg-clay"
      draggable
      onDragStart={(event) => {
        event.preventDefault();
        event.stopPropagation();
      }}
      onPointerDown={(event) => {
        if (!piece.minutes) return;
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        setFrom({ x: event.clientX, minutes: piece.minutes });
      }}
      onPointerMove={pull}
      onPointerUp={(event) => {
        pull(event);
        setFrom(undefined);
      }}
    />
  );
}

function pieceWords({ name, from, to, mark, layer }: Segment): string {
  const which = layer === undefined ? '' : `, layer ${layer}`;
  return `${name}${which}: minute ${number(from, 1)} to ${number(to, 1)}, ${HANDS_WORDS[mark]}`;
}
