import {
  BarController,
  BarElement,
  CategoryScale,
  Chart as ChartJs,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { Chart } from 'react-chartjs-2';
import type { LookAhead } from '@bienestar/core/restock/lookAhead';
import { useAppSelector } from '../../../store/store';

ChartJs.register(
  BarController,
  BarElement,
  CategoryScale,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
);
ChartJs.defaults.font.family = "'Hanken Grotesk Variable', system-ui, sans-serif";

interface AheadChartProps {
  readonly label: string;
  readonly ahead: LookAhead;
  /** one for each day */
  readonly dayNames: readonly string[];
  readonly orderAt: number;
  readonly textOf: (value: number) => string;
}

/** The stock of the days ahead with its band, deliveries, what will be over, and the order point. */
export function AheadChart({ label, ahead, dayNames, orderAt, textOf }: AheadChartProps) {
  const theme = useAppSelector((state) => state.preferences.theme);
  const style = getComputedStyle(document.documentElement);
  const ink = (name: string): string => style.getPropertyValue(name).trim();
  const of = (pick: (day: LookAhead['days'][number]) => number): number[] => ahead.days.map(pick);
  /* The lowest order is drawn on top. */
  const line = { type: 'line', pointRadius: 0, borderWidth: 2, order: 0 } as const;
  return (
    <div className="h-52" key={theme}>
      <Chart
        type="line"
        role="img"
        aria-label={`${label}; the table below says the same`}
        data={{
          labels: [...dayNames],
          datasets: [
            {
              ...line,
              label: 'nine in ten have less',
              data: of(({ high }) => high),
              order: 3,
              borderWidth: 0,
              borderColor: 'transparent',
              backgroundColor: ink('--color-palm-wash'),
              fill: '+1',
            },
            {
              ...line,
              label: 'nine in ten have more',
              data: of(({ low }) => low),
              order: 3,
              borderWidth: 0,
              borderColor: 'transparent',
            },
            {
              ...line,
              label: 'expected',
              data: of(({ usual }) => usual),
              borderColor: ink('--color-palm'),
            },
            {
              ...line,
              label: 'order at',
              data: ahead.days.map(() => orderAt),
              borderColor: ink('--color-clay'),
              borderDash: [6, 3],
              borderWidth: 1.5,
            },
            {
              type: 'bar',
              label: 'comes',
              data: of(({ delivered }) => delivered),
              order: 2,
              backgroundColor: ink('--color-line-strong'),
            },
            {
              type: 'bar',
              label: 'over',
              data: of(({ over }) => over),
              order: 2,
              backgroundColor: ink('--color-clay'),
            },
          ],
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          interaction: { mode: 'index', intersect: false },
          plugins: {
            legend: {
              labels: {
                color: ink('--color-ink'),
                boxHeight: 6,
                boxWidth: 18,
                filter: ({ text }) => !text.startsWith('nine'),
              },
            },
            tooltip: {
              callbacks: {
                label: ({ dataset, parsed }) => `${dataset.label ?? ''}: ${textOf(parsed.y ?? 0)}`,
              },
            },
          },
          scales: {
            x: {
              ticks: { color: ink('--color-ink-soft'), maxTicksLimit: 7, maxRotation: 0 },
              grid: { display: false },
            },
            y: {
              beginAtZero: true,
              ticks: { color: ink('--color-ink-soft'), maxTicksLimit: 5 },
              grid: { color: ink('--color-line') },
            },
          },
        }}
      />
    </div>
  );
}
