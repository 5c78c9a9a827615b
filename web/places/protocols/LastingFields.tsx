import { LIMITS, within } from '@bienestar/contract/limits';
import type { Lasting } from '@bienestar/core/house/house';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';

interface LastingFieldsProps {
  readonly label: string;
  readonly value: Lasting;
  readonly onChange: (value: Lasting) => void;
}

/** A length of time outside the treatment room: one, or from one to another. */
export function LastingFields({ label, value, onChange }: LastingFieldsProps) {
  const { amount, upTo } = value;
  return (
    <div className="grid grid-cols-3 gap-2">
      <NumberField
        label={label}
        value={amount}
        check={within(LIMITS.lasting)}
        onCommit={(least) =>
          onChange({
            ...value,
            amount: least,
            upTo: upTo !== undefined && upTo > least ? upTo : undefined,
          })
        }
      />
      <NumberField
        label="to"
        value={upTo}
        check={(most) =>
          within(LIMITS.lasting)(most) ??
          (most > amount ? undefined : `Must be more than ${amount}.`)
        }
        onCommit={(most) => onChange({ ...value, upTo: most })}
        onClear={() => onChange({ ...value, upTo: undefined })}
      />
      <Choice
        label="Unit"
        value={value.unit}
        options={(['hours', 'days', 'weeks'] as const).map((unit) => ({
          value: unit,
          label: unit,
        }))}
        onChoose={(unit) => onChange({ ...value, unit })}
      />
    </div>
  );
}
