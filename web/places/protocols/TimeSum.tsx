import {
  explainAttended,
  explainGuestMinutes,
  explainSlot,
} from '@bienestar/core/explain/explainTime';
import type { House, Service, WorkedProtocol } from '@bienestar/core/house/house';
import type { Schedule } from '@bienestar/core/time/schedule';
import { number } from '../../format/figures';
import { HandsMark } from '../../parts/HandsMark';
import { WorkedFigure } from '../../parts/working/WorkedFigure';

interface TimeSumProps {
  readonly schedule: Schedule;
  readonly service: Service;
  readonly protocol: WorkedProtocol;
  readonly house: House;
}

/** The minutes that a visit takes of the room and of people. */
export function TimeSum({ schedule, service, protocol, house }: TimeSumProps) {
  const { room, attended, slotMinutes, guestMinutes } = schedule;
  return (
    <div className="flex flex-col gap-1.5">
      <p className="flex items-baseline gap-2">
        <WorkedFigure
          label="Slot"
          text={number(slotMinutes)}
          className="font-serif text-3xl"
          working={() => explainSlot(schedule, service, house)}
        />
        <span className="text-sm text-ink-soft">
          min slot; the guest is told{' '}
          <WorkedFigure
            label="What the guest is told"
            text={number(guestMinutes)}
            working={() => explainGuestMinutes(schedule, service, house)}
          />
        </span>
      </p>
      <p className="text-sm text-ink-soft">
        room {number(room.mean, 1)} ± {number(room.sd, 1)} min
      </p>
      <p className="flex items-center gap-1.5 text-sm">
        <HandsMark hands="hands-on" />
        <WorkedFigure
          label="Attended minutes"
          text={`${number(attended.therapist, 1)} min`}
          working={() => explainAttended(schedule, protocol)}
        />
        attended
        {attended.assistant > 0 && `, assistant ${number(attended.assistant, 1)} min`}
      </p>
    </div>
  );
}
