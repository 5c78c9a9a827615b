import {
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { useSyncExternalStore } from 'react';
import { Line } from 'react-chartjs-2';
import { minorPerMajor } from '@bienestar/contract/currency';
import { unitCostHistory } from '@bienestar/core/cost/pricePoint';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { heldPack } from '@bienestar/core/house/packs';
import { dayOf } from '@bienestar/core/stock/days';
import { dayText, unitMoney } from '../../format/figures';
import { usePricesQuery } from '../../store/api';
import { useHouse } from '../../store/house';
import { useAppSelector } from '../../store/store';
import { contentWords } from './materialWords';

Chart.register(CategoryScale, Legend, LinearScale, LineElement, PointElement, Tooltip);

const INKS = ['--color-clay', '--color-palm', '--color-focus', '--color-line-strong'] as const;
const DASHES = [[], [6, 3], [2, 2], [8, 2, 2, 2]] as const;
const CALM = '(prefers-reduced-motion: reduce)';

/** What a unit of each pack cost from day to day, as a chart and as a table to read out. */
export function PriceChart({ material }: { readonly material: BoughtMaterial }) {
  const { currency } = useHouse().settings;
  const { data: points = [], isError } = usePricesQuery(material.id);
  const theme = useAppSelector((state) => state.preferences.theme);
  const calm = useSyncExternalStore(listenToMotion, () => matchMedia(CALM).matches);
  const perMajor = minorPerMajor(currency);
  const histories = material.packs.map((pack) => ({
    words: contentWords(pack, material.unit, material.kind),
    history: unitCostHistory(points, heldPack(material, pack)),
  }));
  const days = [...new Set(histories.flatMap(({ history }) => history.map(({ on }) => on)))].sort();
  if (isError) return <p className="text-sm text-clay">▲ The prices cannot be read just now.</p>;
  if (days.length === 0) return null;
  const today = dayOf(new Date());
  const labels = days.at(-1) === today ? days : [...days, today];
  /* Canvas knows no CSS variables: the colours of the light that is on are read off the page. */
  const style = getComputedStyle(document.documentElement);
  const ink = (name: string): string => style.getPropertyValue(name).trim();
  return (
    <section aria-labelledby="prices-title" key={theme}>
      <h3 id="prices-title" className="text-lg">
        Price of one {material.unit}
      </h3>
      <div className="h-44">
        <Line
          aria-label={`Price of one ${material.unit} over time; the table below says the same`}
          role="img"
          data={{
            labels: labels.map(dayText),
            datasets: histories.map(({ words, history }, at) => ({
              label: words,
              data: labels.map((day) => {
                const then = history.findLast(({ on }) => on <= day);
                return then ? then.perUnit / perMajor : null;
              }),
              stepped: 'before' as const,
              borderColor: ink(INKS[at % INKS.length] ?? INKS[0]),
              borderDash: [...(DASHES[at % DASHES.length] ?? [])],
              borderWidth: 2,
              pointRadius: 0,
            })),
          }}
          options={{
            animation: calm ? false : { duration: 250 },
            maintainAspectRatio: false,
            interaction: { mode: 'index', intersect: false },
            plugins: {
              legend: { labels: { color: ink('--color-ink'), boxHeight: 1 } },
              tooltip: {
                callbacks: {
                  label: ({ dataset, parsed }) =>
                    `${dataset.label ?? ''}: ${unitMoney((parsed.y ?? 0) * perMajor, currency)}`,
                },
              },
            },
            scales: {
              x: {
                ticks: { color: ink('--color-ink-soft'), maxTicksLimit: 4 },
                grid: { display: false },
              },
              y: {
                ticks: { color: ink('--color-ink-soft'), maxTicksLimit: 5 },
                grid: { color: ink('--color-line') },
              },
            },
          }}
        />
      </div>
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

function listenToMotion(changed: () => void): () => void {
  const query = matchMedia(CALM);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
}
