import type { PassesInAct } from '@bienestar/core/run/settingsInAct';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { useHouse } from '../../store/house';
import { KnuckleButton } from './KnuckleButton';

interface PassesProps {
  readonly passes: readonly PassesInAct[];
  readonly onPassed: (setting: string, passes: number) => void;
}

/** Passes over each zone, counted by a tap; after the last one a tap begins anew, for what was tapped too often. */
export function Passes({ passes, onPassed }: PassesProps) {
  const { ownZones } = useHouse().settings;
  if (passes.length === 0) return null;
  return (
    <div role="group" aria-label="Passes" className="flex flex-wrap gap-3">
      {passes.map(({ key, zones, planned, done }) => (
        <KnuckleButton
          key={key}
          look={done >= planned ? 'main' : 'plain'}
          onClick={() => onPassed(key, done >= planned ? 0 : done + 1)}
        >
          {zonesSaid(zones, ownZones).join(', ')}: {done} of {planned}
          {done >= planned && ' ✓'}
        </KnuckleButton>
      ))}
    </div>
  );
}
