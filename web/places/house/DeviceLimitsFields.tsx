import { LIMITS, within } from '@bienestar/contract/limits';
import type { Device, DeviceLimits } from '@bienestar/core/house/device';
import { NumberField } from '../../parts/NumberField';
import type { ChangePart } from '../../store/useEditPart';

interface DeviceLimitsFieldsProps {
  readonly limits: DeviceLimits | undefined;
  readonly change: ChangePart<Device>;
}

const FIELDS = [
  {
    key: 'minutesPerVisit',
    label: 'On in a visit, at most',
    unit: 'min',
    of: LIMITS.deviceMinutes,
  },
  {
    key: 'passesPerVisit',
    label: 'Over the same skin, at most',
    unit: 'passes',
    of: LIMITS.passes,
  },
  {
    key: 'visitsPerYear',
    label: 'With one guest, at most',
    unit: 'visits a year',
    of: LIMITS.mostPerYear,
  },
] as const;

/** How far a device goes with one guest. */
export function DeviceLimitsFields({ limits = {}, change }: DeviceLimitsFieldsProps) {
  const put = (key: keyof DeviceLimits, value: number | undefined): Promise<string | undefined> =>
    change(({ limits: latest }) => {
      const said = Object.entries<number | undefined>({ ...latest, [key]: value }).filter(
        ([, of]) => of !== undefined,
      );
      return { limits: said.length === 0 ? undefined : Object.fromEntries(said) };
    });
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      {FIELDS.map(({ key, label, unit, of }) => (
        <NumberField
          key={key}
          commitOn="leaving"
          label={label}
          unit={unit}
          value={limits[key]}
          check={within(of)}
          onCommit={(value) => put(key, value)}
          onClear={() => void put(key, undefined)}
        />
      ))}
    </div>
  );
}
