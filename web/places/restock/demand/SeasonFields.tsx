import { useState } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { ServiceId } from '@bienestar/core/house/ids';
import { monthName } from '../../../format/figures';
import { Choice } from '../../../parts/Choice';
import { NumberField } from '../../../parts/NumberField';
import { PercentField } from '../../../parts/PercentField';
import { Button } from '../../../parts/Button';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { usePlan } from '../../../store/useEditPart';
import { useChangeRestock } from './useChangeRestock';

const HOUSE = 'house';

/** What months and growth make of the plan, of the whole house or of one service: 1 is as planned. */
export function SeasonFields() {
  const house = useHouse();
  const { restock } = house.settings;
  const { today } = useRestock();
  const change = useChangeRestock();
  const [of, setOf] = useState<ServiceId | typeof HOUSE>(HOUSE);
  const service = house.services.find(({ id }) => id === of);
  const plan = usePlan(service);
  const line = house.demand.find(({ serviceId }) => serviceId === of);
  const own = service ? line : undefined;
  const months = own?.months ?? restock.months;
  const putMonths = (next: readonly number[]): Promise<string | undefined> =>
    service ? plan({ months: next }) : change({ months: next });
  const perYear = service ? own?.trendPerYear : restock.trend?.perYear;
  const putTrend = async (next: number | undefined): Promise<string | undefined> => {
    if (service) {
      /* Growth is counted from a day of the house. */
      if (next !== undefined && !restock.trend) {
        await change({ trend: { perYear: 0, since: today } });
      }
      return plan({ trendPerYear: next });
    }
    const since = restock.trend?.since ?? today;
    return change({ trend: next === undefined ? undefined : { perYear: next, since } });
  };
  return (
    <>
      <Choice<ServiceId | typeof HOUSE>
        label="Of"
        value={of}
        options={[
          { value: HOUSE, label: 'the whole house' },
          ...house.services.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChoose={setOf}
      />
      <div className="grid grid-cols-4 gap-2">
        {months.map((factor, month) => (
          <NumberField
            key={month}
            label={monthName(month)}
            unit="×"
            commitOn="leaving"
            value={factor}
            check={within(LIMITS.monthFactor)}
            onCommit={(value) => putMonths(months.with(month, value))}
          />
        ))}
      </div>
      <div className="flex items-end gap-3">
        <PercentField
          className="w-40"
          label="Growth a year"
          hint={restock.trend ? undefined : 'from today on'}
          from={-0.95}
          to={5}
          commitOn="leaving"
          value={perYear}
          onCommit={putTrend}
          onClear={() => void putTrend(undefined)}
        />
        {service && own?.months && (
          <Button onClick={() => void plan({ months: undefined })}>As the house</Button>
        )}
      </div>
    </>
  );
}
