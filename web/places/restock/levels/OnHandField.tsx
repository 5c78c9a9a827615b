import { within } from '@bienestar/contract/limits';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { NumberField } from '../../../parts/NumberField';
import { useCountInAll } from '../../../store/useEnter';

const LARGEST_STOCK = 10_000_000;

interface OnHandFieldProps {
  readonly material: BoughtMaterial;
  readonly onHand: number;
}

/** What is on hand; another figure is a count, entered into the ledger. */
export function OnHandField({ material, onHand }: OnHandFieldProps) {
  const count = useCountInAll(material);
  return (
    <NumberField
      className="w-52"
      label={`On hand: ${material.name}`}
      commitOn="leaving"
      unit={material.unit === 'piece' ? 'pcs' : material.unit}
      value={onHand}
      check={within({ least: 0, most: LARGEST_STOCK })}
      onCommit={count}
    />
  );
}
