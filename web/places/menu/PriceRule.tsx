import { MoneyField } from '../../parts/MoneyField';
import { PercentField } from '../../parts/PercentField';
import { useHouse } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';
import { PriceEndingsFields } from './PriceEndingsFields';

const HIGHEST_SHARE = 0.99;

/** How the house makes its prices: the margin wanted and the endings it charges. A change re-prices the menu. */
export function PriceRule() {
  const { settings } = useHouse();
  const change = useChangeSettings();
  return (
    <section
      aria-labelledby="price-rule"
      className="grid grid-cols-[7rem_7rem_8.5rem_8.5rem_8rem_1fr] items-start gap-4 border-t border-line bg-sheet px-6 py-4"
    >
      <div>
        <h2 id="price-rule" className="text-lg">
          How the house prices
        </h2>
      </div>
      <PercentField
        label="Target margin"
        hint="left of net, all paid"
        to={HIGHEST_SHARE}
        commitOn="leaving"
        value={settings.targetMargin}
        onCommit={(targetMargin) => change({ targetMargin })}
      />
      <MoneyField
        label="A room hour brings"
        hint="for rent and profit"
        commitOn="leaving"
        value={settings.targetPerRoomHourMinor}
        onCommit={(targetPerRoomHourMinor) => change({ targetPerRoomHourMinor })}
      />
      <PriceEndingsFields />
    </section>
  );
}
