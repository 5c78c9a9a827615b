import type { Person } from '@bienestar/core/house/house';
import { MoneyField } from '../../parts/MoneyField';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';

interface PayTermsProps {
  readonly person: Person;
  readonly change: (changes: Partial<Person>) => Promise<string | undefined>;
}

/** Whether a person is paid otherwise than by agreed hours alone. */
export function hasOwnTerms({ paidWhenWorking, monthlyPayMinor, shareOfPrice }: Person): boolean {
  return paidWhenWorking === true || monthlyPayMinor !== undefined || shareOfPrice !== undefined;
}

/** How a person is paid: for which hours, by the month, as a share of the price, or a mixture. */
export function PayTerms({ person, change }: PayTermsProps) {
  const { name, monthlyPayMinor, shareOfPrice, paidWhenWorking } = person;
  return (
    <div
      role="group"
      aria-label={`How ${name} is paid`}
      className="mb-2 flex flex-wrap items-end gap-3 border-l-2 border-line-strong pl-3"
    >
      <Segments
        label="The hourly pay is for"
        value={paidWhenWorking ? 'worked' : 'agreed'}
        options={[
          { value: 'agreed', label: 'agreed hours' },
          { value: 'worked', label: 'hours at guests' },
        ]}
        onChoose={(hours) =>
          void change({ paidWhenWorking: hours === 'worked' ? true : undefined })
        }
      />
      <MoneyField
        className="w-40"
        label="Besides, by the month"
        commitOn="leaving"
        value={monthlyPayMinor}
        onCommit={(minor) => change({ monthlyPayMinor: minor })}
        onClear={() => void change({ monthlyPayMinor: undefined })}
      />
      <PercentField
        className="w-40"
        label="Besides, of the net price"
        commitOn="leaving"
        value={shareOfPrice}
        onCommit={(share) => change({ shareOfPrice: share })}
        onClear={() => void change({ shareOfPrice: undefined })}
      />
    </div>
  );
}
