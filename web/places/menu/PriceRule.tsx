import { SettingField } from '../house/SettingField';
import { PriceEndingsFields } from './PriceEndingsFields';

/** How the house makes its prices: the margin wanted and the endings it charges. A change re-prices the menu. */
export function PriceRule() {
  return (
    <section
      aria-labelledby="price-rule"
      className="grid grid-cols-2 items-start gap-4 border-t border-line bg-sheet px-6 py-4 sm:grid-cols-3 xl:grid-cols-[7rem_7rem_8.5rem_8.5rem_8rem_1fr]"
    >
      <div>
        <h2 id="price-rule" className="text-lg">
          How the house prices
        </h2>
      </div>
      <SettingField of="targetMargin" hint="left of net, all paid" />
      <SettingField of="perRoomHour" hint="for rent and profit" />
      <PriceEndingsFields />
    </section>
  );
}
