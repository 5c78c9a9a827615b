import type { ShelfState } from '@bienestar/core/stock/shelfLife';

const MOST_DRAWN = 8;
const HEIGHT = 22;
const WIDTH = 10;
const GAP = 4;

interface VesselsProps {
  readonly state: ShelfState;
  /** read out in the place of the picture */
  readonly label: string;
}

/**
 * What stands on the shelf, as it stands there: sealed containers full and lidded, open ones as full as
 * they are, what is over struck through.
 */
export function Vessels({ state, label }: VesselsProps) {
  const sealed = state.lots.flatMap(({ lot, containers, daysLeft }) =>
    Array.from({ length: Math.min(MOST_DRAWN, Math.ceil(containers)) }, (_, at) => ({
      key: `${lot.id}-${at}`,
      level: 1,
      lid: true,
      over: (daysLeft ?? 0) < 0,
    })),
  );
  const open = state.open.map(({ lot, containerId, remaining, daysLeft }) => ({
    key: containerId,
    level: Math.min(1, remaining / lot.content),
    lid: false,
    over: (daysLeft ?? 0) < 0,
  }));
  const all = [...open, ...sealed];
  const drawn = all.slice(0, MOST_DRAWN);
  return (
    <svg
      role="img"
      aria-label={label}
      width={drawn.length * (WIDTH + GAP) + (all.length > MOST_DRAWN ? 10 : 0)}
      height={HEIGHT + 4}
      className="shrink-0 text-ink-soft"
    >
      {drawn.map(({ key, level, lid, over }, at) => {
        const x = at * (WIDTH + GAP) + 0.5;
        const body = HEIGHT - 4;
        return (
          <g key={key} stroke="currentColor" fill="none">
            <rect x={x} y={4.5} width={WIDTH - 1} height={body} rx={1.5} />
            {lid && <path d={`M${x + 1} 2.5h${WIDTH - 3}`} strokeWidth={2} />}
            <rect
              x={x + 1.5}
              y={4.5 + body - 1.5 - (body - 3) * level}
              width={WIDTH - 4}
              height={(body - 3) * level}
              stroke="none"
              className={over ? 'fill-clay' : 'fill-palm'}
            />
            {over && <path d={`M${x - 1} ${HEIGHT + 1}L${x + WIDTH} 3`} className="stroke-clay" />}
          </g>
        );
      })}
      {all.length > MOST_DRAWN && (
        <text x={drawn.length * (WIDTH + GAP)} y={HEIGHT} className="fill-current text-xs">
          …
        </text>
      )}
    </svg>
  );
}
