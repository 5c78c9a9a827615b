import { useState } from 'react';
import type { BoughtMaterial } from '@bienestar/core/house/house';
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
        check={(value) => (value > 0 ? undefined : 'Must be more than 0.')}
        onCommit={setQuantity}
        onClear={() => setQuantity(undefined)}
      />
      <TextField label="Note" value={note} longest={500} onCommit={setNote} />
    </EntrySheet>
  );
}
