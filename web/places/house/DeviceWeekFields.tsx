import { LIMITS, within } from '@bienestar/contract/limits';
import type { Device } from '@bienestar/core/house/device';
import { NumberField } from '../../parts/NumberField';
import type { ChangePart } from '../../store/useEditPart';

interface DeviceWeekFieldsProps {
  readonly device: Pick<Device, 'warmMinutes' | 'heats'>;
  readonly change: ChangePart<Device>;
}

/** A warmer without a time takes so many minutes until one is said. */
const USUAL_HEATING_MINUTES = 40;

/** How long a device warms up, and the hot towels that it keeps ready. */
export function DeviceWeekFields({
  device: { warmMinutes, heats },
  change,
}: DeviceWeekFieldsProps) {
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      <NumberField
        commitOn="leaving"
        label="Warms up for"
        unit="min"
        value={warmMinutes}
        check={within(LIMITS.warmMinutes)}
        onCommit={(minutes) => change({ warmMinutes: minutes })}
        onClear={() => void change({ warmMinutes: undefined })}
      />
      <NumberField
        commitOn="leaving"
        label="Keeps hot towels"
        unit="pieces"
        value={heats?.pieces}
        check={within(LIMITS.hotPieces)}
        onCommit={(pieces) =>
          change(({ heats: latest }) => ({
            heats: { minutes: USUAL_HEATING_MINUTES, ...latest, pieces },
          }))
        }
        onClear={() => void change({ heats: undefined })}
      />
      {heats && (
        <NumberField
          commitOn="leaving"
          label="A new one is hot after"
          unit="min"
          value={heats.minutes}
          check={within(LIMITS.warmMinutes)}
          onCommit={(minutes) =>
            change(({ heats: latest }) => ({ heats: { pieces: heats.pieces, ...latest, minutes } }))
          }
        />
      )}
    </div>
  );
}
