import type { PurchaseTax } from '@bienestar/core/house/supplier';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';

type Typed = 'house' | 'paid' | 'with' | 'without';

interface PurchaseTaxFieldsProps {
  /** of whom, to be read out */
  readonly of?: string;
  /** nothing where prices are what is paid, or where the house says it */
  readonly tax: PurchaseTax | undefined;
  /** the rate to begin with */
  readonly usual: number;
  /** a supplier that says nothing is as the house says */
  readonly asHouse?: boolean;
  readonly onChange: (tax: PurchaseTax | undefined) => Promise<string | undefined>;
}

/** How the prices of what is bought are typed, and whether their tax comes back. */
export function PurchaseTaxFields({ of, tax, usual, asHouse, onChange }: PurchaseTaxFieldsProps) {
  const typed: Typed = tax ? (tax.included ? 'with' : 'without') : asHouse ? 'house' : 'paid';
  const named = (label: string): string => (of === undefined ? label : `${label}: ${of}`);
  const from: PurchaseTax = tax ?? { rate: usual, included: true, recovered: true };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Segments
        label={named('Prices are typed')}
        value={typed}
        options={[
          asHouse ? { value: 'house', label: 'as the house' } : { value: 'paid', label: 'as paid' },
          { value: 'with', label: 'with tax' },
          { value: 'without', label: 'without tax' },
        ]}
        onChoose={(next) =>
          void onChange(
            next === 'with' || next === 'without'
              ? { ...from, included: next === 'with' }
              : undefined,
          )
        }
      />
      {tax && (
        <>
          <PercentField
            className="w-20"
            label={named('Tax')}
            commitOn="leaving"
            value={tax.rate}
            onCommit={(rate) => onChange({ ...tax, rate })}
          />
          <Segments
            label={named('We get it back')}
            value={tax.recovered ? 'yes' : 'no'}
            options={[
              { value: 'yes', label: 'yes' },
              { value: 'no', label: 'no' },
            ]}
            onChoose={(next) => void onChange({ ...tax, recovered: next === 'yes' })}
          />
        </>
      )}
    </div>
  );
}
