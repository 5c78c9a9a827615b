import { Fragment } from 'react';
import { offeredOf } from '@bienestar/core/house/offered';
import { Plus, X } from 'lucide-react';
import { LIMITS, within } from '@bienestar/contract/limits';
import { gentlest, type Device } from '@bienestar/core/house/device';
import type { SetValue, ZoneSetting } from '@bienestar/core/house/house';
import { chosenOf } from '@bienestar/core/zone/pickZones';
import { asId } from '@bienestar/core/house/ids';
import { zoneName } from '@bienestar/core/zone/zoneNames';
import { number } from '../../../format/figures';
import { runningWords, settingsWords, spoken } from '../../../format/protocolWords';
import { Button, IconButton } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Fold } from '../../../parts/Fold';
import { NumberField } from '../../../parts/NumberField';
import { PercentField } from '../../../parts/PercentField';
import { useHouse } from '../../../store/house';
import { RunningFields } from './RunningFields';
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
  const running = step.running?.flatMap((id) => {
    const along = devices.find((each) => each.id === id);
    return along ? [runningWords(along, step.runningAt)] : [];
  });
  return (
    <Fold
      title="Device"
      summary={[
        device?.name,
        ...settingsWords(work?.settings ?? [], unitOf),
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
            others={work.settings.toSpliced(at, 1)}
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
      <RunningFields step={step} change={change} />
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
  readonly others: readonly ZoneSetting[];
  readonly onChange: (setting: ZoneSetting, typed?: string) => void;
  readonly onRemove: () => void;
}

function SettingRow({ device, setting, others, onChange, onRemove }: SettingRowProps) {
  const where = setting.zones.map(zoneName).join(', ');
  const { share } = setting;
  const shareAt = share ? others.findIndex(({ zones }) => chosenOf(zones, share.of) === 'all') : -1;
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
      <div className="grid grid-cols-2 gap-2">
        {device.settings.map(({ kind, unit, least, most }) => {
          const set = setting.values.find((each) => each.kind === kind);
          const put = (value: SetValue | undefined, field: string): void =>
            onChange(
              {
                ...setting,
                values: device.settings.flatMap(
                  (each) =>
                    (each.kind === kind
                      ? value
                      : setting.values.find((of) => of.kind === each.kind)) ?? [],
                ),
              },
              `${field}-${kind}`,
            );
          return (
            <Fragment key={kind}>
              <NumberField
                label={spoken(kind)}
                unit={unit}
                hint={`${number(least)}–${number(most)}`}
                value={set?.value}
                check={(value) =>
                  value >= least && value <= most
                    ? undefined
                    : `The house goes from ${number(least)} to ${number(most)}.`
                }
                onCommit={(value) =>
                  put(
                    {
                      kind,
                      value,
                      ...(set?.upTo !== undefined && set.upTo > value && { upTo: set.upTo }),
                    },
                    'setting',
                  )
                }
                onClear={setting.share ? () => put(undefined, 'setting') : 'needed'}
              />
              <NumberField
                label={`${spoken(kind)} to`}
                unit={unit}
                value={set?.upTo}
                check={(upTo) =>
                  set && upTo > set.value && upTo <= most
                    ? undefined
                    : `Must be more than ${number(set?.value ?? least)}, at most ${number(most)}.`
                }
                onCommit={(upTo) => {
                  if (set) put({ ...set, upTo }, 'up-to');
                }}
                onClear={() => {
                  if (set) put({ kind, value: set.value }, 'up-to');
                }}
              />
            </Fragment>
          );
        })}
        <NumberField
          label="passes"
          value={setting.passes}
          check={within(LIMITS.passes)}
          onCommit={(passes) => onChange({ ...setting, passes }, 'passes')}
          onClear={() => onChange({ ...setting, passes: undefined })}
        />
      </div>
      {others.length > 0 && (
        <div className="grid grid-cols-[1fr_7rem] gap-2">
          <Choice
            label="What is not typed here"
            value={shareAt === -1 ? NONE : String(shareAt)}
            options={[
              { value: NONE, label: 'is not set' },
              ...others.map(({ zones }, at) => ({
                value: String(at),
                label: `is a share of ${zones.map(zoneName).join(', ')}`,
              })),
            ]}
            onChoose={(value) => {
              const of = value === NONE ? undefined : others[Number(value)]?.zones[0];
              onChange({
                ...setting,
                share: of ? { of, part: setting.share?.part ?? 0.5 } : undefined,
              });
            }}
          />
          {setting.share && (
            <PercentField
              label="Share"
              to={10}
              value={setting.share.part}
              onCommit={(part) => {
                if (setting.share)
                  onChange({ ...setting, share: { ...setting.share, part } }, 'share');
              }}
            />
          )}
        </div>
      )}
    </div>
  );
}
