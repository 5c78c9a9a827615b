import { offeredOf } from '@bienestar/core/house/offered';
import type { RunningAt, SetValue } from '@bienestar/core/house/house';
import type { Device, DeviceSetting } from '@bienestar/core/house/device';
import type { DeviceId } from '@bienestar/core/house/ids';
import { number } from '../../../format/figures';
import { spoken } from '../../../format/protocolWords';
import { NumberField } from '../../../parts/NumberField';
import { Toggles } from '../../../parts/Toggles';
import { useHouse } from '../../../store/house';
import type { StepFieldsProps } from './stepFields';

/** What runs along while the step is done, and to what it is set. */
export function RunningFields({ step, change }: Pick<StepFieldsProps, 'step' | 'change'>) {
  const { devices } = useHouse();
  const { running = [], runningAt = [] } = step;
  const put = (ids: readonly DeviceId[], next: readonly RunningAt[], typedInto?: string): void => {
    const kept = next.filter(({ deviceId, values }) => ids.includes(deviceId) && values.length > 0);
    change(
      {
        running: ids.length === 0 ? undefined : ids,
        runningAt: kept.length === 0 ? undefined : kept,
      },
      typedInto,
    );
  };
  const set = (id: DeviceId, kind: SetValue['kind'], value: number | undefined): void => {
    const before = runningAt.find(({ deviceId }) => deviceId === id)?.values ?? [];
    const values = [
      ...before.filter((each) => each.kind !== kind),
      ...(value === undefined ? [] : [{ kind, value }]),
    ];
    put(
      running,
      [...runningAt.filter(({ deviceId }) => deviceId !== id), { deviceId: id, values }],
      `running-${kind}`,
    );
  };
  const along = running.flatMap((id) => devices.find((each) => each.id === id) ?? []);
  return (
    <>
      <Toggles
        label="Running along"
        values={running}
        options={offeredOf(devices, running).map((each) => ({ value: each.id, label: each.name }))}
        onChange={(ids) => put(ids, runningAt)}
      />
      {along.flatMap((device) =>
        device.settings.map((setting) => (
          <SetField
            key={`${device.id}-${setting.kind}`}
            device={device}
            setting={setting}
            value={
              runningAt
                .find(({ deviceId }) => deviceId === device.id)
                ?.values.find(({ kind }) => kind === setting.kind)?.value
            }
            onCommit={(value) => set(device.id, setting.kind, value)}
          />
        )),
      )}
    </>
  );
}

interface SetFieldProps {
  readonly device: Device;
  readonly setting: DeviceSetting;
  readonly value: number | undefined;
  readonly onCommit: (value: number | undefined) => void;
}

function SetField({ device, setting, value, onCommit }: SetFieldProps) {
  const { kind, unit, least, most } = setting;
  return (
    <NumberField
      label={`${device.name}, ${spoken(kind)}`}
      unit={unit}
      hint={`${number(least)}–${number(most)}`}
      value={value}
      check={(next) =>
        next >= least && next <= most
          ? undefined
          : `The house goes from ${number(least)} to ${number(most)}.`
      }
      onCommit={onCommit}
      onClear={() => onCommit(undefined)}
    />
  );
}
