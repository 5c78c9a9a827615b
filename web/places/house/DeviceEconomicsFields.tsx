import type { Device, DeviceEconomics } from '@bienestar/core/house/device';
import { Button } from '../../parts/Button';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { Segments } from '../../parts/Segments';

interface DeviceEconomicsFieldsProps {
  readonly economics: DeviceEconomics | undefined;
  readonly change: (changes: Partial<Device>) => Promise<string | undefined>;
}

/** Where nothing is known yet: a machine that is written off in a thousand uses. */
const A_START: DeviceEconomics = {
  priceMinor: 0,
  resaleMinor: 0,
  life: { amount: 1000, unit: 'uses' },
  servicePerYearMinor: 0,
  usesPerYear: 200,
};
const leaving = { commitOn: 'leaving' } as const;
const more = (value: number): string | undefined =>
  value > 0 ? undefined : 'Must be more than 0.';

/** What a device costs to own, from which the cost of its use follows. */
export function DeviceEconomicsFields({ economics, change }: DeviceEconomicsFieldsProps) {
  const put = (changes: Partial<DeviceEconomics>): Promise<string | undefined> =>
    change({ economics: { ...A_START, ...economics, ...changes } });
  if (!economics) {
    return (
      <Button weight="quiet" className="self-start" onClick={() => void put({})}>
        What it costs to use
      </Button>
    );
  }
  const { life } = economics;
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className={`${LABEL_LOOK} mb-1`}>What it costs to use</legend>
      <div className="grid grid-cols-3 gap-3">
        <MoneyField
          {...leaving}
          label="Price of the device"
          hint="as it was bought, of one"
          value={economics.priceMinor}
          onCommit={(priceMinor) => put({ priceMinor })}
        />
        <MoneyField
          {...leaving}
          label="Still worth at the end"
          hint="begin with nothing"
          value={economics.resaleMinor}
          onCommit={(resaleMinor) => put({ resaleMinor })}
        />
        <MoneyField
          {...leaving}
          label="Service a year"
          hint="upkeep and calibration"
          value={economics.servicePerYearMinor}
          onCommit={(servicePerYearMinor) => put({ servicePerYearMinor })}
        />
      </div>
      <div className="grid grid-cols-[1fr_1fr_1fr] items-start gap-3">
        <NumberField
          {...leaving}
          label="Its life"
          hint="by the maker; begin with 1000 uses"
          value={life.amount}
          check={more}
          onCommit={(amount) => put({ life: { ...life, amount } })}
        />
        <Segments
          label="counted in"
          value={life.unit}
          options={[
            { value: 'uses', label: 'uses' },
            { value: 'minutes', label: 'minutes' },
          ]}
          onChoose={(unit) => void put({ life: { ...life, unit } })}
        />
        <NumberField
          {...leaving}
          label="Uses a year"
          hint="shares out its service"
          value={economics.usesPerYear}
          check={more}
          onCommit={(usesPerYear) => put({ usesPerYear })}
        />
      </div>
    </fieldset>
  );
}
