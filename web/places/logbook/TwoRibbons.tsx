import type { RibbonPiece, Ribbons } from '@bienestar/core/logbook/ribbons';
import { number } from '../../format/figures';
import { MARK_LOOK } from '../../figures/markLook';

const LANE_PX = 30;
const BETWEEN_PX = 34;
/** What differs by less is as planned. */
const WORTH_MINUTES = 1;
/** A name needs so much of the width. */
const NAMED_SHARE = 0.05;

interface TwoRibbonsProps {
  readonly ribbons: Ribbons;
  readonly slotMinutes: number;
}

/**
 * A visit as two ribbons, planned above done: each step is joined with itself, so that one sees where time went. The
 * table below says the same.
 */
export function TwoRibbons({ ribbons, slotMinutes }: TwoRibbonsProps) {
  const { planned, done, minutes } = ribbons;
  const longest = minutes * 1.02;
  const share = (at: number): number => (at / longest) * 100;
  const ofAct = new Map(planned.map((piece) => [piece.act.id, piece]));
  return (
    <figure aria-label="Planned above done, step by step" className="text-xs">
      <Lane pieces={planned} name="planned" share={share} />
      <svg
        aria-hidden
        viewBox={`0 0 100 ${BETWEEN_PX}`}
        preserveAspectRatio="none"
        className="block w-full"
        style={{ height: BETWEEN_PX }}
      >
        {done.map((piece) => {
          const before = ofAct.get(piece.act.id);
          if (!before) return null;
          const isOff = Math.abs(piece.off ?? 0) >= WORTH_MINUTES;
          const corners = [
            [share(before.from), 0],
            [share(before.from + before.minutes), 0],
            [share(piece.from + piece.minutes), BETWEEN_PX],
            [share(piece.from), BETWEEN_PX],
          ];
          return (
            <polygon
              key={piece.act.id}
              points={corners.map((corner) => corner.join(',')).join(' ')}
              className={isOff ? 'fill-clay-wash' : 'fill-sunk'}
              stroke="var(--color-line)"
              vectorEffect="non-scaling-stroke"
            />
          );
        })}
      </svg>
      <Lane pieces={done} name="done" share={share} slot={slotMinutes} />
      <figcaption className="mt-1 flex flex-wrap gap-x-4 text-ink-soft">
        <span>planned above, done below</span>
        <span>
          <span className="text-clay">+</span> a step that took a minute more or less
        </span>
        <span>│ the slot of {number(slotMinutes, 0)} min</span>
      </figcaption>
    </figure>
  );
}

interface LaneProps {
  readonly pieces: readonly RibbonPiece[];
  readonly name: string;
  readonly share: (minutes: number) => number;
  readonly slot?: number;
}

function Lane({ pieces, name, share, slot }: LaneProps) {
  return (
    <div className="relative" style={{ height: LANE_PX }} role="img" aria-label={name}>
      {pieces.map(({ act, from, minutes, off = 0 }) => {
        const isOff = Math.abs(off) >= WORTH_MINUTES;
        const wide = share(minutes) / 100;
        return (
          <span
            key={act.id}
            title={`${act.name}: ${number(minutes, 1)} min`}
            className={`absolute inset-y-0 flex flex-col justify-between overflow-hidden border ${isOff ? 'border-clay' : 'border-line-strong'} bg-sheet`}
            style={{ left: `${share(from)}%`, width: `${share(minutes)}%` }}
          >
            <span className="truncate px-1 leading-5">
              {isOff && wide > NAMED_SHARE / 2 ? (
                <strong className="text-clay">
                  {off > 0 ? '+' : '−'}
                  {number(Math.abs(off), 0)}{' '}
                </strong>
              ) : null}
              {wide > NAMED_SHARE ? act.name : ''}
            </span>
            <span className={`h-1.5 shrink-0 ${act.hands ? MARK_LOOK[act.hands] : 'bg-sunk'}`} />
          </span>
        );
      })}
      {slot !== undefined && (
        <span
          className="absolute -top-2 -bottom-1 w-0.5 bg-clay"
          style={{ left: `${share(slot)}%` }}
        />
      )}
    </div>
  );
}
