import { LIMITS, within } from '@bienestar/contract/limits';
import type { MissingMeasure as Missing } from '@bienestar/core/problem/problem';
import { unitOfMissing, withMissing } from '@bienestar/core/quantity/measures';
import { COUNTED_MEASURE_WORDS } from '../format/amountWords';
import { useSnapshot } from '../store/house';
import { useChange } from '../store/useEditPart';
import { NumberField } from './NumberField';

interface MissingMeasureProps {
  readonly materialId: string;
  readonly missing: Missing;
}

/** Where a measure is missed, the field that says it: kept with the material, for every dose of it. */
export function MissingMeasure({ materialId, missing }: MissingMeasureProps) {
  const material = useSnapshot().materials.find(({ id }) => id === materialId);
  const change = useChange('materials', material);
  if (!material) return null;
  return (
    <NumberField
      className="mt-1 max-w-64"
      commitOn="leaving"
      label={`${labelOf(missing)}, ${material.name}`}
      unit={missing.of === 'count' ? undefined : unitOfMissing(missing, material.unit)}
      value={undefined}
      onClear="needed"
      check={within(missing.of === 'density' ? LIMITS.density : LIMITS.quantity)}
      onCommit={(usual) =>
        change((latest) => ({
          measures: withMissing(latest.measures, missing, usual, latest.unit),
        }))
      }
    />
  );
}

/** The same for a mix, of which only its density may be missed. */
export function MissingDensity({ mixId }: { readonly mixId: string }) {
  const mix = useSnapshot().mixes.find(({ id }) => id === mixId);
  const change = useChange('mixes', mix);
  if (!mix) return null;
  return (
    <NumberField
      className="mt-1 max-w-64"
      commitOn="leaving"
      label={`Density, ${mix.name}`}
      unit="g/ml"
      value={undefined}
      onClear="needed"
      check={within(LIMITS.density)}
      onCommit={(density) => change({ density })}
    />
  );
}

function labelOf(missing: Missing): string {
  switch (missing.of) {
    case 'density':
      return 'Density';
    case 'count':
      return COUNTED_MEASURE_WORDS[missing.measure];
    case 'named':
    case 'coat':
      return `“${missing.name}”`;
  }
}
