import { Check, X } from 'lucide-react';
import { Checkbox, Popover } from 'radix-ui';
import { leavesOf, ZONE_IDS, zoneName, type ZoneId } from '@bienestar/core/zone/zones';
import { LABEL_LOOK } from '../../parts/FieldFrame';

interface ZonePickerProps {
  readonly zones: readonly ZoneId[];
  readonly onChange: (zones: readonly ZoneId[]) => void;
}

/** Where on the body: the zones chosen, and a list to choose from. */
export function ZonePicker({ zones, onChange }: ZonePickerProps) {
  const toggle = (zone: ZoneId): void =>
    onChange(zones.includes(zone) ? zones.filter((each) => each !== zone) : withZone(zones, zone));
  return (
    <div className="flex flex-col gap-1">
      <span className={LABEL_LOOK}>Zones</span>
      <div className="flex flex-wrap items-center gap-1.5">
        {zones.map((zone) => (
          <button
            key={zone}
            type="button"
            aria-label={`Leave out ${zoneName(zone)}`}
            onClick={() => toggle(zone)}
            className="inline-flex h-8 items-center gap-1.5 rounded-full border border-palm bg-palm-wash pr-2 pl-3 text-sm hover:brightness-95"
          >
            {zoneName(zone)} <X aria-hidden size={12} />
          </button>
        ))}
        <Popover.Root>
          <Popover.Trigger className="inline-flex h-8 items-center rounded-full border border-dashed border-line-strong px-3 text-sm hover:bg-sunk">
            {zones.length === 0 ? 'choose zones' : 'change zones'}
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content
              aria-label="Zones of the body"
              sideOffset={6}
              collisionPadding={8}
              className="z-50 grid max-h-(--radix-popover-content-available-height) w-[30rem] grid-cols-3 gap-x-3 overflow-y-auto rounded-sm border border-line-strong bg-sheet p-3 shadow-sheet"
            >
              {ZONE_IDS.map((zone) => (
                <label
                  key={zone}
                  className={`flex h-8 items-center gap-2 text-sm ${leavesOf(zone).length > 1 ? 'font-semibold' : ''}`}
                >
                  <Checkbox.Root
                    checked={zones.includes(zone)}
                    onCheckedChange={() => toggle(zone)}
                    className="flex size-4 items-center justify-center border border-line-strong bg-sheet data-[state=checked]:bg-palm"
                  >
                    <Checkbox.Indicator>
                      <Check aria-hidden size={12} className="text-on-fill" />
                    </Checkbox.Indicator>
                  </Checkbox.Root>
                  {zoneName(zone)}
                </label>
              ))}
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      </div>
    </div>
  );
}

/** A region takes the place of its parts, and a part is not named beside its region. */
function withZone(zones: readonly ZoneId[], zone: ZoneId): ZoneId[] {
  const added = new Set<ZoneId>(leavesOf(zone));
  const kept = zones.filter((each) => !leavesOf(each).some((leaf) => added.has(leaf)));
  return [...kept, zone].toSorted((a, b) => ZONE_IDS.indexOf(a) - ZONE_IDS.indexOf(b));
}
