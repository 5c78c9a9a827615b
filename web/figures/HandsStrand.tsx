import { useMemo } from 'react';
import type { Schedule } from '@bienestar/core/time/schedule';
import { strandsOf } from '@bienestar/core/time/strands';
import { number } from '../format/figures';
import { MARK_LOOK } from './markLook';

interface HandsStrandProps {
  readonly schedule: Schedule;
  /** the minutes that the whole width stands for */
  readonly longest: number;
}

/** The therapist's strand of a treatment by itself: where hands are on, watching and free. */
export function HandsStrand({ schedule, longest }: HandsStrandProps) {
  const { hands } = useMemo(() => strandsOf(schedule), [schedule]);
  const at = (minutes: number): string => `${(minutes / longest) * 100}%`;
  const { attended, room } = schedule;
  return (
    <span
      role="img"
      aria-label={`${number(attended.therapist, 0)} of ${number(room.mean, 0)} minutes attended`}
      className="relative block h-3"
    >
      {hands.therapist.map((piece, order) => (
        <span
          key={order}
          className={`absolute inset-y-0 border ${MARK_LOOK[piece.mark]}`}
          style={{ left: at(piece.from), width: at(piece.to - piece.from) }}
        />
      ))}
    </span>
  );
}
