import { NumberField } from '../../../parts/NumberField';
import { PercentField } from '../../../parts/PercentField';
import { monthName } from '../../../format/figures';
import { useHouse, useRestock } from '../../../store/house';
import { useChangeRestock } from './useChangeRestock';

/** What months and growth make of the plan: 1 is as planned. */
export function SeasonFields() {
  const { restock } = useHouse().settings;
  const { today } = useRestock();
  const change = useChangeRestock();
  const { months, trend } = restock;
  return (
    <>
      <div className="grid grid-cols-4 gap-2">
        {months.map((factor, month) => (
          <NumberField
            key={month}
            label={monthName(month)}
            unit="×"
            commitOn="leaving"
            value={factor}
            check={(value) => (value >= 0 && value <= 20 ? undefined : 'From 0 to 20.')}
            onCommit={(value) => change({ months: months.with(month, value) })}
          />
        ))}
      </div>
      <PercentField
        className="w-40"
        label="Growth a year, from today"
        from={-0.95}
        to={5}
        commitOn="leaving"
        value={trend?.perYear}
        onCommit={(perYear) => change({ trend: { perYear, since: trend?.since ?? today } })}
        onClear={() => void change({ trend: undefined })}
      />
    </>
  );
}
