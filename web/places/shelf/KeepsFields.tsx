import { LIMITS, within } from '@bienestar/contract/limits';
import type { BoughtMaterial, Keeps, Material } from '@bienestar/core/house/house';
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
            onChange={(keeps) => put({ keeps })}
          />
          <KeepsField
            label="Good once cut"
            value={material.openLife}
            onChange={(openLife) => put({ openLife })}
          />
        </>
      );
    case 'single-dose':
    case 'consumable':
    case 'device-part':
    case 'retail':
      return null;
  }
}

interface KeepsFieldProps {
  readonly label: string;
  readonly value: Keeps | undefined;
  readonly onChange: (keeps: Keeps) => Promise<string | undefined>;
  readonly onClear?: () => void;
}

function KeepsField({ label, value, onChange, onClear }: KeepsFieldProps) {
  const unit = value?.unit ?? 'days';
  return (
    <div className="grid grid-cols-[1fr_8rem] items-end gap-3">
      <NumberField
        commitOn="leaving"
        label={label}
        value={value?.amount}
        check={within(LIMITS.keeps)}
        onCommit={(amount) => onChange({ amount, unit })}
        onClear={onClear}
      />
      <Choice<Keeps['unit']>
        label={`${label}, unit`}
        labelHidden
        value={unit}
        options={[
          { value: 'days', label: 'days' },
          { value: 'hours', label: 'hours' },
        ]}
        onChoose={(next) => value && void onChange({ ...value, unit: next })}
      />
    </div>
  );
}
