import { offeredOf } from '@bienestar/core/house/offered';
import { Plus, X } from 'lucide-react';
import { LIMITS, within } from '@bienestar/contract/limits';
import { gentlest, type Device } from '@bienestar/core/house/device';
import type { ZoneSetting } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { zoneName } from '@bienestar/core/zone/zoneNames';
import { number } from '../../../format/figures';
import { settingWords, spoken } from '../../../format/protocolWords';
import { Button, IconButton } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Fold } from '../../../parts/Fold';
import { NumberField } from '../../../parts/NumberField';
import { Toggles } from '../../../parts/Toggles';
import { useHouse } from '../../../store/house';
import { ZoneButton } from '../zones/ZoneButton';
import type { StepFieldsProps } from './stepFields';

const NONE = 'none';

/** The device the step works with, set zone by zone within the limits of the house; what runs along. */
export function DeviceFields({ step, change }: StepFieldsProps) {
  const { devices } = useHouse();
  if (devices.length === 0) return null;
  const work = step.device;
  const device = work && devices.find((each) => each.id === work.deviceId);
  const unitOf = (kind: string): string =>
    device?.settings.find((setting) => setting.kind === kind)?.unit ?? '';
  const put = (settings: readonly ZoneSetting[], typed?: string): void => {
    if (work) change({ device: { ...work, settings } }, typed);
  };
  const running = step.running?.flatMap((id) => devices.find((each) => each.id === id)?.name ?? []);
  return (
    <Fold
      title="Device"
      summary={[
        device?.name,
        ...(work?.settings ?? []).map((setting) => settingWords(setting, unitOf)),
        running && `${running.join(', ')} running`,
      ]
        .filter(Boolean)
        .join(' · ')}
    >
      <Choice
        label="Works with"
        value={work?.deviceId ?? NONE}
        options={[
          { value: NONE, label: 'no device' },
          ...offeredOf(devices, work ? [work.deviceId] : []).map((each) => ({
            value: String(each.id),
            label: each.name,
          })),
        ]}
        onChoose={(value) =>
          change({ device: value === NONE ? undefined : { deviceId: asId(value), settings: [] } })
        }
      />
      {work &&
        device &&
        work.settings.map((setting, at) => (
          <SettingRow
            key={at}
            device={device}
            setting={setting}
            onChange={(changed, typed) => put(work.settings.with(at, changed), typed)}
            onRemove={() => put(work.settings.toSpliced(at, 1))}
          />
        ))}
      {work && device && (
        <Button
          className="self-start"
          onClick={() => put([...work.settings, firstSetting(device, step.zones)])}
        >
          <Plus aria-hidden size={16} /> Settings for zones
        </Button>
      )}
      <Toggles
        label="Running along"
        values={step.running ?? []}
        options={offeredOf(devices, step.running).map((each) => ({
          value: each.id,
          label: each.name,
        }))}
        onChange={(ids) => change({ running: ids.length === 0 ? undefined : ids })}
      />
    </Fold>
  );
}

/** Settings begin at the gentle end of what the house allows. */
function firstSetting(device: Device, zones: ZoneSetting['zones']): ZoneSetting {
  return {
    zones: zones.filter((zone) => !device.neverZones.includes(zone)),
    values: device.settings.map((setting) => ({ kind: setting.kind, value: gentlest(setting) })),
    passes: 1,
  };
}

interface SettingRowProps {
  readonly device: Device;
  readonly setting: ZoneSetting;
  readonly onChange: (setting: ZoneSetting, typed?: string) => void;
  readonly onRemove: () => void;
}

function SettingRow({ device, setting, onChange, onRemove }: SettingRowProps) {
  const where = setting.zones.map(zoneName).join(', ');
  return (
    <div
      role="group"
      aria-label={`Settings for ${where === '' ? 'no zone yet' : where}`}
      className="flex flex-col gap-2 border-l-2 border-line-strong pl-3"
    >
      <div className="flex items-center justify-between gap-2">
        <ZoneButton zones={setting.zones} onChange={(zones) => onChange({ ...setting, zones })} />
        <IconButton label={`Remove the settings for ${where}`} onClick={onRemove}>
          <X aria-hidden size={16} />
        </IconButton>
      </div>
      <div className="grid grid-cols-3 gap-2">
        {device.settings.map(({ kind, unit, least, most }) => (
          <NumberField
            key={kind}
            label={spoken(kind)}
            unit={unit}
            hint={`${number(least)}–${number(most)}`}
            value={setting.values.find((each) => each.kind === kind)?.value}
            check={(value) =>
              value >= least && value <= most
                ? undefined
                : `The house goes from ${number(least)} to ${number(most)}.`
            }
            onCommit={(value) =>
              onChange(
                {
                  ...setting,
                  values: [...setting.values.filter((each) => each.kind !== kind), { kind, value }],
                },
                `setting-${kind}`,
              )
            }
          />
        ))}
        <NumberField
          label="passes"
          value={setting.passes}
          check={within(LIMITS.passes)}
          onCommit={(passes) => onChange({ ...setting, passes }, 'passes')}
          onClear={() => onChange({ ...setting, passes: undefined })}
        />
      </div>
    </div>
  );
}
