import {
  Chart as ChartJs,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
  ScatterController,
  LineController,
  Tooltip,
} from 'chart.js';
import { Chart } from 'react-chartjs-2';
import type { TradePoint } from '@bienestar/core/restock/tradeOff';
import { percent } from '../../../format/figures';
import { useAppSelector } from '../../../store/store';

ChartJs.register(
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
);
ChartJs.defaults.font.family = "'Hanken Grotesk Variable', system-ui, sans-serif";

interface TradeChartProps {
  readonly today: readonly TradePoint[];
  readonly then: readonly TradePoint[] | undefined;
  readonly thenName: string | undefined;
  readonly textOf: (minor: number) => string;
}

/** A share of itself by which a quantity must change to be drawn. */
const HARDLY = 0.03;

/** Money tied up and what is thrown away along the service levels, as lines. */
export function TradeChart({ today, then, thenName = '', textOf }: TradeChartProps) {
  const theme = useAppSelector((state) => state.preferences.theme);
  const style = getComputedStyle(document.documentElement);
  const ink = (name: string): string => style.getPropertyValue(name).trim();
  const along = (points: readonly TradePoint[], pick: (point: TradePoint) => number) =>
    points.map((point) => ({ x: point.serviceLevel, y: pick(point) }));
  const line = { showLine: true, pointRadius: 3, borderWidth: 2, yAxisID: 'yMoney' } as const;
  const wastes = today.map(({ wasteMinor }) => wasteMinor);
  const least = Math.min(...wastes);
  const most = Math.max(...wastes);
  /* What hardly changes would be drawn as if it did, on an axis of its own. */
  const isDrawn = most - least > HARDLY * most;
  return (
    <>
      <div className="h-52" key={theme}>
        <Chart
          type="scatter"
          role="img"
          aria-label="Service level against money; the table below says the same"
          data={{
            datasets: [
              {
                ...line,
                label: 'tied up',
                data: along(today, ({ tiedUpMinor }) => tiedUpMinor),
                borderColor: ink('--color-palm'),
                backgroundColor: ink('--color-palm'),
              },
              ...(isDrawn
                ? [
                    {
                      ...line,
                      label: 'thrown away a year (right)',
                      data: along(today, ({ wasteMinor }) => wasteMinor),
                      borderColor: ink('--color-clay'),
                      backgroundColor: ink('--color-clay'),
                      borderDash: [6, 3],
                      pointStyle: 'rect' as const,
                      yAxisID: 'yWaste',
                    },
                  ]
                : []),
              ...(then
                ? [
                    {
                      ...line,
                      label: `tied up, ${thenName}`,
                      data: along(then, ({ tiedUpMinor }) => tiedUpMinor),
                      borderColor: ink('--color-focus'),
                      backgroundColor: ink('--color-focus'),
                      borderDash: [2, 2],
                      pointStyle: 'triangle' as const,
                    },
                  ]
                : []),
            ],
          }}
          options={{
            animation: false,
            maintainAspectRatio: false,
            plugins: {
              legend: { labels: { color: ink('--color-ink'), usePointStyle: true, boxHeight: 7 } },
              tooltip: {
                callbacks: {
                  label: ({ dataset, parsed }) =>
                    `${dataset.label ?? ''} at ${percent(parsed.x ?? 0, 1)}: ${textOf(parsed.y ?? 0)}`,
                },
              },
            },
            scales: {
              x: {
                ticks: {
                  color: ink('--color-ink-soft'),
                  callback: (value) => percent(Number(value), 1),
                },
                grid: { display: false },
              },
              ...(isDrawn && {
                yWaste: {
                  axis: 'y',
                  position: 'right',
                  ticks: {
                    color: ink('--color-clay'),
                    maxTicksLimit: 4,
                    callback: (value) => textOf(Number(value)),
                  },
                  grid: { display: false },
                },
              }),
              yMoney: {
                axis: 'y',
                ticks: {
                  color: ink('--color-ink-soft'),
                  maxTicksLimit: 5,
                  callback: (value) => textOf(Number(value)),
                },
                grid: { color: ink('--color-line') },
              },
            },
          }}
        />
      </div>
      {!isDrawn && (
        <p className="text-sm text-ink-soft">
          {most > 0
            ? `What is thrown away a year hardly changes with the level: about ${textOf(most)}.`
            : 'Nothing is thrown away at any level.'}
        </p>
      )}
    </>
  );
}
