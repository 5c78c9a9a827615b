import { useState } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { EntrySheet } from './EntrySheet';

interface UseSheetProps {
  readonly material: BoughtMaterial;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** Something that was used outside a treatment that is logged. */
export function UseSheet({ material, open, onClose }: UseSheetProps) {
  const [quantity, setQuantity] = useState<number>();
  const [note, setNote] = useState('');
  return (
    <EntrySheet
      open={open}
      onClose={onClose}
      name={material.name}
      title={`Used: ${material.name}`}
      description="It is taken from what is open, then from what expires first."
      action="Enter the use"
      make={(id) =>
        quantity === undefined
          ? 'Enter how much was used.'
          : { kind: 'use', id, materialId: material.id, quantity, note }
      }
      onEntered={() => {
        setQuantity(undefined);
        setNote('');
        onClose();
      }}
    >
      <NumberField
        label="How much"
        unit={material.unit === 'piece' ? 'pcs' : material.unit}
        value={quantity}
        check={within(LIMITS.usedUp)}
        onCommit={setQuantity}
        onClear={() => setQuantity(undefined)}
      />
      <TextField label="Note" value={note} longest={LONGEST_NOTE} onCommit={setNote} />
    </EntrySheet>
  );
}
