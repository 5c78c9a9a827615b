import { LIMITS, within } from '@bienestar/contract/limits';
import { useState } from 'react';
import type { BoughtMaterial, Keeps, Material } from '@bienestar/core/house/house';
import { KEEPS_UNITS, type KeepsUnit } from '@bienestar/core/house/material';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import type { ChangePart } from '../../store/useEditPart';

interface KeepsFieldsProps {
  readonly material: BoughtMaterial;
  readonly change: ChangePart<Material>;
}

/** How long a material keeps once opened, and fresh goods also whole. */
export function KeepsFields({ material, change }: KeepsFieldsProps) {
  const put = (changes: object) => change(changes);
  switch (material.kind) {
    case 'back-bar':
      return (
        <KeepsField
          label="Good once opened (PAO)"
          value={material.openLife}
          usualUnit="months"
          onChange={(openLife) => put({ openLife })}
          onClear={() => void put({ openLife: undefined })}
        />
      );
    case 'fresh':
      return (
        <>
          <KeepsField
            label="Good whole"
            value={material.keeps}
            usualUnit="days"
            onChange={(keeps) => put({ keeps })}
          />
          <KeepsField
            label="Good once cut"
            value={material.openLife}
            usualUnit="hours"
            onChange={(openLife) => put({ openLife })}
          />
        </>
      );
    case 'single-dose':
    case 'consumable':
    case 'device-part':
    case 'retail':
    case 'kit':
      return null;
  }
}

interface KeepsFieldProps {
  readonly label: string;
  readonly value: Keeps | undefined;
  /** until another is chosen */
  readonly usualUnit: KeepsUnit;
  readonly onChange: (keeps: Keeps) => Promise<string | undefined>;
  readonly onClear?: () => void;
}

function KeepsField({ label, value, usualUnit, onChange, onClear }: KeepsFieldProps) {
  /* Chosen before there is an amount, it waits for it. */
  const [chosen, setChosen] = useState(usualUnit);
  const unit = value?.unit ?? chosen;
  return (
    <div className="grid grid-cols-[1fr_8rem] items-end gap-3">
      <NumberField
        commitOn="leaving"
        label={label}
        value={value?.amount}
        check={within(LIMITS.keeps)}
        onCommit={(amount) => onChange({ amount, unit })}
        onClear={onClear ?? 'needed'}
      />
      <Choice<KeepsUnit>
        label={`${label}, unit`}
        labelHidden
        value={unit}
        options={KEEPS_UNITS.map((each) => ({ value: each, label: each }))}
        onChoose={(next) => {
          setChosen(next);
          if (value) void onChange({ ...value, unit: next });
        }}
      />
    </div>
  );
}
