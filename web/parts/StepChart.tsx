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
import { useAppSelector } from '../store/store';

Chart.register(CategoryScale, Legend, LinearScale, LineElement, PointElement, Tooltip);

Chart.defaults.font.family = "'Hanken Grotesk Variable', system-ui, sans-serif";

const INKS = ['--color-clay', '--color-palm', '--color-focus', '--color-line-strong'] as const;
const DASHES = [[], [6, 3], [2, 2], [8, 2, 2, 2]] as const;
const CALM = '(prefers-reduced-motion: reduce)';

interface StepChartProps {
  /** what is drawn; a table beside it says the same */
  readonly label: string;
  readonly labels: readonly string[];
  readonly series: readonly {
    readonly name: string;
    /** as drawn, one for each label */
    readonly values: readonly (number | null)[];
  }[];
  readonly textOf: (value: number) => string;
  /** joined in straight lines instead of steps */
  readonly joined?: boolean;
}

/** Figures that hold from one day to the next, or along a scale, as lines. */
export function StepChart({ label, labels, series, textOf, joined = false }: StepChartProps) {
  const theme = useAppSelector((state) => state.preferences.theme);
  const calm = useSyncExternalStore(listenToMotion, () => matchMedia(CALM).matches);
  /* Canvas knows no CSS variables: the colours of the light that is on are read off the page. */
  const style = getComputedStyle(document.documentElement);
  const ink = (name: string): string => style.getPropertyValue(name).trim();
  return (
    <div className="h-44" key={theme}>
      <Line
        aria-label={`${label}; the table below says the same`}
        role="img"
        data={{
          labels: [...labels],
          datasets: series.map(({ name, values }, at) => ({
            label: name,
            data: [...values],
            stepped: joined ? false : ('before' as const),
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
                label: ({ dataset, parsed }) => `${dataset.label ?? ''}: ${textOf(parsed.y ?? 0)}`,
              },
            },
          },
          scales: {
            x: {
              ticks: { color: ink('--color-ink-soft'), maxTicksLimit: 4, maxRotation: 0 },
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
  );
}

function listenToMotion(changed: () => void): () => void {
  const query = matchMedia(CALM);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
}
