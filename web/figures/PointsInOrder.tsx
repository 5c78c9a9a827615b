import { useRef } from 'react';
import { useWidth } from '../parts/useWidth';

interface Bounds {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
}

interface PointsInOrderProps {
  readonly label: string;
  readonly points: readonly {
    readonly key: string;
    readonly value: number;
    /** it is one of those that are spoken of */
    readonly counts: boolean;
    readonly title: string;
  }[];
  readonly written: Bounds;
  readonly proposed: Bounds;
  readonly textOf: (value: number) => string;
}

/** Before it is drawn. */
const UNDRAWN_WIDTH = 640;
const HEIGHT = 220;
const LEFT = 64;
const RIGHT = 96;
const EDGE = 14;

/** Values of visits in their order, with the range that is written and the one that is proposed. */
export function PointsInOrder({ label, points, written, proposed, textOf }: PointsInOrderProps) {
  const drawn = useRef<HTMLDivElement>(null);
  const width = useWidth(drawn) ?? UNDRAWN_WIDTH;
  const all = [
    ...points.map(({ value }) => value),
    written.low,
    written.high,
    proposed.low,
    proposed.high,
  ];
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const span = most - least || 1;
  const y = (value: number): number =>
    HEIGHT - EDGE - ((value - least) / span) * (HEIGHT - 2 * EDGE);
  const x = (at: number): number =>
    LEFT + ((at + 0.5) / Math.max(1, points.length)) * (width - LEFT - RIGHT);
  const band = ({ low, high }: Bounds) => ({
    x: LEFT,
    width: width - LEFT - RIGHT,
    y: y(high) - 1,
    height: Math.max(2, y(low) - y(high) + 2),
  });
  return (
    <div ref={drawn} className="w-full">
      <svg role="img" aria-label={label} width={width} height={HEIGHT} className="block text-xs">
        <rect {...band(written)} className="fill-sunk" stroke="var(--color-line-strong)" />
        <rect
          {...band(proposed)}
          fill="none"
          stroke="var(--color-palm)"
          strokeWidth={2}
          strokeDasharray="6 4"
        />
        {points.map(({ key, value, counts, title }, at) => (
          <circle
            key={key}
            cx={x(at)}
            cy={y(value)}
            r={3.2}
            fill={counts ? 'var(--color-ink)' : 'var(--color-sheet)'}
            stroke="var(--color-ink)"
          >
            <title>{title}</title>
          </circle>
        ))}
        <text x={LEFT - 6} y={y(most) + 4} textAnchor="end" className="fill-ink-soft">
          {textOf(most)}
        </text>
        <text x={LEFT - 6} y={y(least) + 4} textAnchor="end" className="fill-ink-soft">
          {textOf(least)}
        </text>
        <text x={width - RIGHT + 6} y={y(written.usual) + 4} className="fill-ink-soft">
          written
        </text>
        <text
          x={width - RIGHT + 6}
          y={apart(y(proposed.usual), y(written.usual)) + 4}
          className="fill-palm font-semibold"
        >
          proposed
        </text>
      </svg>
    </div>
  );
}

const LINE_PX = 14;

/** Two names do not stand on each other. */
function apart(of: number, from: number): number {
  if (Math.abs(of - from) >= LINE_PX) return of;
  return of < from ? from - LINE_PX : from + LINE_PX;
}
