import { useEffect, useRef, useState } from 'react';
import { toggleZone, toggleZones } from '@bienestar/core/zone/pickZones';
import { ZONE_SETS } from '@bienestar/core/zone/zoneSets';
import { zoneName, type ZoneId } from '@bienestar/core/zone/zones';
import { LABEL_LOOK } from '../../../parts/FieldFrame';
import { Segments } from '../../../parts/Segments';
import type { StepFieldsProps } from '../inspector/stepFields';
import { ZoneMap } from './ZoneMap';

type Mode = 'zones' | 'lightly' | 'never';

const MODE_WORDS: Record<Mode, string> = {
  zones: 'worked here',
  lightly: 'go lightly',
  never: 'never',
};

/** Where the step is worked and in which order, where lightly, where never: on a drawn face and body. */
export function ZonesField({ step, change }: StepFieldsProps) {
  const [open, setOpen] = useState(false);
  const [mode, setMode] = useState<Mode>('zones');
  const drawn = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (open) drawn.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  const { zones, lightly = [], never = [] } = step;
  const of: Record<Mode, readonly ZoneId[]> = { zones, lightly, never };
  const put = (next: readonly ZoneId[]): void =>
    change({ [mode]: mode !== 'zones' && next.length === 0 ? undefined : next });
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
      {zones.length + lightly.length + never.length > 0 && (
        <p className="flex flex-wrap text-sm">
          {zones.map((zone, at) => (
            <span key={zone} className="mr-2 whitespace-nowrap">
              {zones.length > 1 && <span className="text-ink-soft">{at + 1} </span>}
              {zoneName(zone)}
            </span>
          ))}
          {lightly.length > 0 && (
            <span className="w-full text-palm">lightly: {lightly.map(zoneName).join(', ')}</span>
          )}
          {never.length > 0 && (
            <span className="w-full text-clay">× never: {never.map(zoneName).join(', ')}</span>
          )}
        </p>
      )}
      {open && (
        <div ref={drawn} className="flex flex-col gap-2 border border-line bg-paper p-3">
          <Segments
            label="A pick means"
            labelHidden
            value={mode}
            options={(['zones', 'lightly', 'never'] as const).map((value) => ({
              value,
              label: MODE_WORDS[value],
            }))}
            onChoose={setMode}
          />
          <ZoneMap
            zones={zones}
            lightly={lightly}
            never={never}
            pickWords={MODE_WORDS[mode]}
            onPick={(zone) => put(toggleZone(of[mode], zone))}
          />
          <div className="flex flex-wrap gap-1">
            {[{ name: 'face', zones: ['face'] as const }, ...ZONE_SETS].map((set) => (
              <button
                key={set.name}
                type="button"
                onClick={() => put(toggleZones(of[mode], set.zones))}
                className="h-7 rounded-full border border-line-strong px-2.5 text-sm hover:bg-sunk"
              >
                {set.name}
              </button>
            ))}
          </div>
        </div>
      )}
    </div>
  );
}
