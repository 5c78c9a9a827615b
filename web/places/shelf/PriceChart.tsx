import { minorPerMajor } from '@bienestar/contract/currency';
import { taxFactor } from '@bienestar/core/cost/purchaseTax';
import { unitCostHistory } from '@bienestar/core/cost/pricePoint';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { heldPack } from '@bienestar/core/house/packs';
import { dayText, unitMoney } from '../../format/figures';
import { StepChart } from '../../parts/StepChart';
import { usePricesQuery } from '../../store/api';
import { useToday } from '../../store/clock';
import { useHouse } from '../../store/house';
import { contentWords } from './materialWords';

/** What a unit of each pack cost from day to day, as a chart and as a table to read out. */
export function PriceChart({ material }: { readonly material: BoughtMaterial }) {
  const today = useToday();
  const house = useHouse();
  const { currency } = house.settings;
  const { data: points = [], isError } = usePricesQuery(material.id);
  const perMajor = minorPerMajor(currency);
  const histories = material.packs.map((pack) => ({
    words: contentWords(pack, material.unit, material.kind),
    history: unitCostHistory(points, heldPack(material, pack), taxFactor(pack, house)),
  }));
  const days = [...new Set(histories.flatMap(({ history }) => history.map(({ on }) => on)))].sort();
  if (isError) return <p className="text-sm text-clay">▲ The prices cannot be read just now.</p>;
  if (days.length === 0) return null;
  const labels = days.at(-1) === today ? days : [...days, today];
  return (
    <section aria-labelledby="prices-title">
      <h3 id="prices-title" className="text-lg">
        Price of one {material.unit}
      </h3>
      <StepChart
        label={`Price of one ${material.unit} over time`}
        labels={labels.map(dayText)}
        series={histories.map(({ words, history }) => ({
          name: words,
          values: labels.map((day) => {
            const then = history.findLast(({ on }) => on <= day);
            return then ? then.perUnit / perMajor : null;
          }),
        }))}
        textOf={(value) => unitMoney(value * perMajor, currency)}
      />
      <details className="text-sm">
        <summary className="text-ink-soft">As a table</summary>
        <table className="mt-1 w-full">
          <tbody>
            {histories.flatMap(({ words, history }) =>
              history.toReversed().map(({ on, perUnit }) => (
                <tr key={`${words}-${on}`} className="border-b border-line">
                  <th scope="row" className="py-1 text-left font-normal">
                    {words}
                  </th>
                  <td className="py-1">{dayText(on)}</td>
                  <td className="py-1 text-right">{unitMoney(perUnit, currency)}</td>
                </tr>
              )),
            )}
          </tbody>
        </table>
      </details>
    </section>
  );
}
