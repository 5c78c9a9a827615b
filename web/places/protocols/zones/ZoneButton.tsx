import { Popover } from 'radix-ui';
import { toggleZone } from '@bienestar/core/zone/pickZones';
import { type ZoneId } from '@bienestar/core/zone/zones';
import { zoneName } from '@bienestar/core/zone/zoneNames';
import { ZoneMap } from './ZoneMap';

interface ZoneButtonProps {
  readonly zones: readonly ZoneId[];
  readonly onChange: (zones: readonly ZoneId[]) => void;
}

/** Zones in a word, with the map behind it. */
export function ZoneButton({ zones, onChange }: ZoneButtonProps) {
  return (
    <Popover.Root>
      <Popover.Trigger className="text-left text-sm font-semibold underline decoration-dotted underline-offset-4 hover:text-clay">
        {zones.length === 0 ? 'choose zones' : zones.map(zoneName).join(', ')}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label="Zones of the body"
          sideOffset={6}
          collisionPadding={8}
          className="z-50 border border-line-strong bg-sheet p-3 shadow-sheet"
        >
          <ZoneMap
            zones={zones}
            pickWords="set here"
            onPick={(zone) => onChange(toggleZone(zones, zone))}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
