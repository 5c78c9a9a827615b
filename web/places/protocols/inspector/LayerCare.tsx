import type { LayerGroup, TestSpot } from '@bienestar/core/house/house';
import { LONGEST_TEXT } from '@bienestar/core/house/limits';
import { Segments } from '../../../parts/Segments';
import { TextField } from '../../../parts/TextField';
import { MinutesField } from './MinutesField';
import { ZoneButton } from '../zones/ZoneButton';

interface LayerCareProps {
  readonly group: LayerGroup;
  readonly change: (field: string, changes: Partial<LayerGroup>) => void;
}

const SPOT: TestSpot = {
  zones: ['jawline'],
  minutes: { least: 1, usual: 1, most: 2 },
  wait: { least: 5, usual: 5, most: 10 },
  watch: 'redness, heat, swelling',
};

/** A spot tried before the rest, with a wait and what to watch. */
export function TestSpotFields({ group, change }: LayerCareProps) {
  const spot = group.testSpot;
  const put = (changes: Partial<TestSpot>): void =>
    change('testSpot', { testSpot: { ...(spot ?? SPOT), ...changes } });
  return (
    <>
      <Segments
        label="Test spot"
        value={spot ? 'first' : 'none'}
        options={[
          { value: 'none', label: 'none' },
          { value: 'first', label: 'before the first' },
        ]}
        onChoose={(value) => change('testSpot', { testSpot: value === 'first' ? SPOT : undefined })}
      />
      {spot && (
        <>
          <ZoneButton zones={spot.zones} onChange={(zones) => put({ zones })} />
          <MinutesField
            legend="The spot takes"
            value={spot.minutes}
            onCommit={(minutes) => put({ minutes })}
          />
          <MinutesField
            legend="Wait before the rest"
            value={spot.wait}
            onCommit={(wait) => put({ wait })}
          />
          <TextField
            label="Watch on the spot"
            value={spot.watch}
            longest={LONGEST_TEXT}
            onCommit={(watch) => put({ watch })}
          />
        </>
      )}
    </>
  );
}
