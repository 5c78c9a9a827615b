import { useState } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import type { ContainerId, LotId } from '@bienestar/core/house/ids';
import { DISCARD_REASONS, type DiscardReason } from '@bienestar/core/house/stock';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { amount } from '../../format/figures';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { EntrySheet } from './EntrySheet';
import { REASON_WORDS } from './materialWords';

/** What is to be thrown away, as it is offered. */
export interface Discarded {
  readonly lotId: LotId;
  readonly containerId?: ContainerId;
  readonly quantity: number;
  readonly reason: DiscardReason;
}

interface DiscardSheetProps {
  readonly material: BoughtMaterial;
  readonly what: Discarded;
  readonly onClose: () => void;
}

/** Something thrown away or sent back, with the reason. */
export function DiscardSheet({ material, what, onClose }: DiscardSheetProps) {
  const [quantity, setQuantity] = useState(what.quantity);
  const [reason, setReason] = useState(what.reason);
  const [note, setNote] = useState('');
  return (
    <EntrySheet
      open
      onClose={onClose}
      name={material.name}
      title={`Throw away: ${material.name}`}
      description={`There are ${amount(what.quantity, material.unit)} in it.`}
      action="Throw it away"
      make={(id) => ({
        kind: 'discard',
        id,
        materialId: material.id,
        lotId: what.lotId,
        ...(what.containerId && { containerId: what.containerId }),
        quantity,
        reason,
        note,
      })}
    >
      <NumberField
        label="How much"
        unit={material.unit === 'piece' ? 'pcs' : material.unit}
        value={quantity}
        check={within(LIMITS.usedUp)}
        onCommit={setQuantity}
      />
      <Choice<DiscardReason>
        label="Why"
        value={reason}
        options={DISCARD_REASONS.map((value) => ({ value, label: REASON_WORDS[value] }))}
        onChoose={setReason}
      />
      <TextField label="Note" value={note} longest={LONGEST_NOTE} onCommit={setNote} />
    </EntrySheet>
  );
}
