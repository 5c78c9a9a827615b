import { nanoid } from '@reduxjs/toolkit';
import { X } from 'lucide-react';
import { LIMITS, within } from '@bienestar/contract/limits';
import { unversioned, type Versioned } from '@bienestar/contract/api';
import {
  HAZARDS,
  SETTING_KINDS,
  type Device,
  type DeviceSetting,
  type SettingKind,
} from '@bienestar/core/house/device';
import { asId } from '@bienestar/core/house/ids';
import { spoken } from '../../format/protocolWords';
import { Button, IconButton } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { KeepOrRemove } from '../../parts/KeepOrRemove';
import { Fold } from '../../parts/Fold';
import { NumberField } from '../../parts/NumberField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { Toggles } from '../../parts/Toggles';
import { useSnapshot } from '../../store/house';
import { useAddAndRemove, useChange } from '../../store/useEditPart';
import { ZoneButton } from '../protocols/zones/ZoneButton';
import { DeviceLimitsFields } from './DeviceLimitsFields';
import { DeviceWeekFields } from './DeviceWeekFields';
import { DeviceEconomicsFields } from './DeviceEconomicsFields';
import { AddLine, Section } from './Section';

/** The machines of the house: how many, what they can do to a person, and the limits they are set within. */
export function DevicesPanel() {
  const { devices } = useSnapshot();
  const { add } = useAddAndRemove('devices');
  return (
    <Section title="Devices">
      {devices.map((device) => (
        <DeviceFields key={device.id} device={device} />
      ))}
      <AddLine
        what="Add a device"
        onAdd={() =>
          void add({
            id: asId(nanoid(12)),
            name: 'New device',
            count: 1,
            hazards: [],
            settings: [],
            neverZones: [],
            eyeProtection: false,
            trainedIds: [],
          })
        }
      />
    </Section>
  );
}

const leaving = { commitOn: 'leaving' } as const;

function DeviceFields({ device }: { readonly device: Versioned<Device> }) {
  const { people } = useSnapshot();
  const change = useChange('devices', device);
  const { add, remove, busy } = useAddAndRemove('devices');
  const { settings } = device;
  const putSetting = (at: number, changes: Partial<DeviceSetting>): Promise<string | undefined> =>
    change(({ settings: latest }) => {
      const setting = latest[at];
      return setting ? { settings: latest.with(at, { ...setting, ...changes }) } : {};
    });
  const unused = SETTING_KINDS.find((kind) => !settings.some((each) => each.kind === kind));
  return (
    <Fold
      title={device.name}
      summary={[
        device.archivedOn === undefined ? '' : 'archived',
        device.count > 1 ? `${device.count} of them` : '',
        device.hazards.map(spoken).join(', '),
        device.eyeProtection ? 'eyes covered' : '',
      ]
        .filter(Boolean)
        .join(' · ')}
    >
      <div className="grid grid-cols-[1fr_6rem] gap-3">
        <TextField
          {...leaving}
          label="Device"
          needed
          value={device.name}
          onCommit={(name) => change({ name })}
        />
        <NumberField
          {...leaving}
          label="How many"
          value={device.count}
          check={within(LIMITS.deviceCount)}
          onCommit={(count) => change({ count })}
        />
      </div>
      <Toggles
        label="Brings to the skin"
        values={device.hazards}
        options={HAZARDS.map((value) => ({ value, label: spoken(value) }))}
        onChange={(hazards) => void change({ hazards })}
      />
      {settings.map((setting, at) => (
        <div
          key={setting.kind}
          className="grid grid-cols-2 items-end gap-2 sm:grid-cols-[8rem_4.5rem_1fr_1fr_9rem_2rem]"
        >
          <Choice
            label="Set"
            value={setting.kind}
            options={SETTING_KINDS.map((value) => ({ value, label: spoken(value) }))}
            onChoose={(kind: SettingKind) => void putSetting(at, { kind })}
          />
          <TextField
            {...leaving}
            label="Unit"
            value={setting.unit}
            onCommit={(unit) => putSetting(at, { unit })}
          />
          <NumberField
            {...leaving}
            label="From"
            value={setting.least}
            onCommit={(least) => putSetting(at, { least })}
          />
          <NumberField
            {...leaving}
            label="To"
            value={setting.most}
            onCommit={(most) => putSetting(at, { most })}
          />
          <Segments
            label="Gentler is"
            value={setting.safer}
            options={[
              { value: 'less', label: 'less' },
              { value: 'more', label: 'more' },
            ]}
            onChoose={(safer) => void putSetting(at, { safer })}
          />
          <IconButton
            label={`Remove ${spoken(setting.kind)}`}
            onClick={() => void change({ settings: settings.toSpliced(at, 1) })}
          >
            <X aria-hidden size={16} />
          </IconButton>
        </div>
      ))}
      {unused && (
        <Button
          weight="quiet"
          className="self-start"
          onClick={() =>
            void change({
              settings: [
                ...settings,
                { kind: unused, unit: '', least: 0, most: 1, safer: 'less' as const },
              ],
            })
          }
        >
          Something that is set
        </Button>
      )}
      <div className="flex items-baseline gap-2 text-sm">
        <span className="font-semibold">Never on:</span>
        <ZoneButton
          zones={device.neverZones}
          onChange={(neverZones) => void change({ neverZones })}
        />
      </div>
      <Segments
        label="Eyes in the room"
        value={device.eyeProtection ? 'covered' : 'open'}
        options={[
          { value: 'open', label: 'need no cover' },
          { value: 'covered', label: 'covered, everybody’s' },
        ]}
        onChoose={(value) => void change({ eyeProtection: value === 'covered' })}
      />
      <Toggles
        label="Trained (everybody, when nobody is named)"
        values={device.trainedIds}
        options={people.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(trainedIds) => void change({ trainedIds })}
      />
      <DeviceLimitsFields limits={device.limits} change={change} />
      <DeviceWeekFields device={device} change={change} />
      <DeviceEconomicsFields economics={device.economics} change={change} />
      <TextField
        {...leaving}
        label="Where the maker’s instructions are filed"
        value={device.sheet ?? ''}
        onCommit={(sheet) => change({ sheet: sheet.trim() === '' ? undefined : sheet })}
      />
      <KeepOrRemove
        what="device"
        archivedOn={device.archivedOn}
        busy={busy}
        onCopy={() => {
          const { archivedOn: _archived, ...like } = unversioned<Device>(device);
          void add({ ...like, id: asId(nanoid(12)), name: `${device.name}, copy` });
        }}
        onArchive={(archivedOn) => void change({ archivedOn })}
        onRemove={() => void remove(device)}
      />
    </Fold>
  );
}
