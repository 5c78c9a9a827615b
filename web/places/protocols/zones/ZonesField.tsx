import { useEffect, useRef, useState } from 'react';
import { ZONE_MODES, type ZoneMode } from '@bienestar/core/house/ways';
import { toggleZone, toggleZones } from '@bienestar/core/zone/pickZones';
import { ZONE_SETS } from '@bienestar/core/zone/zoneSets';
import type { ZoneId } from '@bienestar/core/zone/zones';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { LABEL_LOOK } from '../../../parts/FieldFrame';
import { Segments } from '../../../parts/Segments';
import { useSnapshot } from '../../../store/house';
import type { StepFieldsProps } from '../inspector/stepFields';
import { NamePlace } from './NamePlace';
import { ZoneMap } from './ZoneMap';

type Picking = 'zones' | ZoneMode;
const PICKINGS = ['zones', ...ZONE_MODES] as const satisfies readonly Picking[];

const PICKING_WORDS: Record<Picking, string> = {
  zones: 'worked',
  lightly: 'lightly',
  more: 'more',
  last: 'last',
  never: 'never',
};
const NONE: readonly ZoneId[] = [];

/** Where the step is worked and in which order, and where otherwise than elsewhere: on a drawn face and body. */
export function ZonesField({ step, change }: StepFieldsProps) {
  const { ownZones = [] } = useSnapshot().settings;
  const [open, setOpen] = useState(false);
  const [picking, setPicking] = useState<Picking>('zones');
  const drawn = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (open) drawn.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  const { zones } = step;
  const picked = step[picking] ?? NONE;
  const put = (next: readonly ZoneId[]): void =>
    change({ [picking]: picking !== 'zones' && next.length === 0 ? undefined : next });
  const said = zonesSaid(zones, ownZones);
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-baseline justify-between gap-3">
        <span className={LABEL_LOOK}>Zones</span>
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="text-sm underline decoration-dotted underline-offset-4 hover:text-clay"
        >
          {open ? 'put the map away' : zones.length === 0 ? 'choose zones' : 'change zones'}
        </button>
      </div>
      <p className="flex flex-wrap text-sm empty:hidden">
        {said.map((words, at) => (
          <span key={words} className="mr-2 whitespace-nowrap">
            {said.length > 1 && <span className="text-ink-soft">{at + 1} </span>}
            {words}
          </span>
        ))}
        {ZONE_MODES.map(
          (mode) =>
            step[mode] && (
              <span key={mode} className={`w-full ${mode === 'never' ? 'text-clay' : 'text-palm'}`}>
                {mode === 'never' && '× '}
                {PICKING_WORDS[mode]}: {zonesSaid(step[mode], ownZones).join(', ')}
              </span>
            ),
        )}
      </p>
      {open && (
        <div ref={drawn} className="flex flex-col gap-2 border border-line bg-paper p-3">
          <Segments
            label="A pick means"
            labelHidden
            value={picking}
            options={PICKINGS.map((value) => ({ value, label: PICKING_WORDS[value] }))}
            onChoose={setPicking}
          />
          <ZoneMap
            zones={zones}
            modes={step}
            pickWords={PICKING_WORDS[picking]}
            onPick={(zone) => put(toggleZone(picked, zone))}
          />
          <div className="flex flex-wrap gap-1">
            {[{ name: 'face', zones: ['face'] as const }, ...ZONE_SETS, ...ownZones].map((set) => (
              <button
                key={set.name}
                type="button"
                onClick={() => put(toggleZones(picked, set.zones))}
                className="h-7 rounded-full border border-line-strong px-2.5 text-sm hover:bg-sunk"
              >
                {set.name}
              </button>
            ))}
          </div>
          {picked.length > 0 && <NamePlace zones={picked} />}
        </div>
      )}
    </div>
  );
}
