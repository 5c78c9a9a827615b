import { LIMITS, within } from '@bienestar/contract/limits';
import type { Material } from '@bienestar/core/house/house';
import { useHouse } from '../../store/house';
import { priceIsMeant } from './priceIsMeant';
import { chosenPack } from '@bienestar/core/house/packs';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useChange } from '../../store/useEditPart';
import { useCountInAll } from '../../store/useEnter';
import type { ShelfRow } from './shelfRows';

interface InPlaceProps {
  readonly row: ShelfRow;
}

/** A material's name, changed in its line. */
export function NameInPlace({ row: { material } }: InPlaceProps) {
  const change = useChangeOf(material);
  return (
    <TextField
      className="w-full"
      label={`Name of ${material.name}`}
      labelHidden
      needed
      commitOn="leaving"
      value={material.name}
      onCommit={(name) => change({ name })}
    />
  );
}

/** The price of the preferred pack, changed in its line; a column of prices can be pasted. */
export function PriceInPlace({ row: { material, pack } }: InPlaceProps) {
  const change = useChangeOf(material);
  const { currency } = useHouse().settings;
  if (material.kind === 'linen') return <span className="text-ink-soft">{pack}</span>;
  const preferred = chosenPack(material);
  return (
    <MoneyField
      className="w-full"
      label={`Pack price of ${material.name}`}
      labelHidden
      commitOn="leaving"
      value={preferred.priceMinor}
      onCommit={async (priceMinor) =>
        (await priceIsMeant(material.name, preferred.priceMinor, priceMinor, currency)) ??
        change((latest) =>
          latest.kind === 'linen'
            ? {}
            : {
                packs: latest.packs.map((each) =>
                  each.id === latest.preferredPackId ? { ...each, priceMinor } : each,
                ),
              },
        )
      }
    />
  );
}

/** What is on hand, counted in its line. */
export function CountInPlace({ row: { material, state } }: InPlaceProps) {
  const count = useCountInAll(material);
  if (!state) return <span className="text-ink-soft">in the laundry’s round</span>;
  return (
    <NumberField
      className="w-32"
      label={`On the shelf: ${material.name}`}
      labelHidden
      commitOn="leaving"
      unit={material.unit === 'piece' ? 'pcs' : material.unit}
      value={state.onHand}
      check={within(LIMITS.counted)}
      onCommit={count}
    />
  );
}

function useChangeOf({ id }: Material) {
  const versioned = useSnapshot().materials.find((each) => each.id === id);
  return useChange('materials', versioned);
}
