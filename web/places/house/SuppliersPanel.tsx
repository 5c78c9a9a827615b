import { nanoid } from '@reduxjs/toolkit';
import type { Versioned } from '@bienestar/contract/api';
import type { Supplier } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useAddAndRemove, useChange } from '../../store/useEditPart';
import { AddLine, Line, Section } from './Section';

const DAYS = [
  ['leadTimeDays', 'Lead time'],
  ['leadTimeSdDays', 'give or take'],
  ['reviewDays', 'looked at every'],
] as const;
const MOST_DAYS = 365;

/** Who delivers, and how long it takes. */
export function SuppliersPanel() {
  const { suppliers } = useSnapshot();
  const { add } = useAddAndRemove('suppliers');
  return (
    <Section title="Suppliers">
      {suppliers.map((supplier, at) => (
        <SupplierLine key={supplier.id} supplier={supplier} labelled={at === 0} />
      ))}
      <AddLine
        what="Add a supplier"
        onAdd={() =>
          void add({
            id: asId(nanoid(12)),
            name: 'New supplier',
            leadTimeDays: 7,
            leadTimeSdDays: 1,
            reviewDays: 0,
          })
        }
      />
    </Section>
  );
}

interface SupplierLineProps {
  readonly supplier: Versioned<Supplier>;
  /** labels are shown once, above the first line */
  readonly labelled: boolean;
}

function SupplierLine({ supplier, labelled }: SupplierLineProps) {
  const change = useChange('suppliers', supplier);
  const { remove } = useAddAndRemove('suppliers');
  return (
    <Line name={supplier.name} onRemove={() => void remove(supplier)}>
      <TextField
        labelHidden={!labelled}
        className="flex-1"
        label="Supplier"
        needed
        commitOn="leaving"
        value={supplier.name}
        onCommit={(name) => change({ name })}
      />
      {DAYS.map(([key, label]) => (
        <NumberField
          labelHidden={!labelled}
          key={key}
          className="w-24"
          label={label}
          unit="d"
          commitOn="leaving"
          value={supplier[key]}
          check={(days) =>
            days >= 0 && days <= MOST_DAYS ? undefined : `Must be from 0 to ${MOST_DAYS}.`
          }
          onCommit={(days) => change({ [key]: days })}
        />
      ))}
    </Line>
  );
}
