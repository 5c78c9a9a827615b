import { useRef, useState, type KeyboardEvent } from 'react';
import { isChosen } from '@bienestar/core/zone/pickZones';
import { leavesOf, zoneName, type LeafZone, type ZoneId } from '@bienestar/core/zone/zones';
import { FIGURES, type ZoneFigure, type ZoneShape } from './zoneShapes';

interface ZoneMapProps {
  /** in the order in which they are worked */
  readonly zones: readonly ZoneId[];
  readonly lightly?: readonly ZoneId[];
  readonly never?: readonly ZoneId[];
  /** what a pick means, in words */
  readonly pickWords: string;
  readonly onPick: (zone: LeafZone) => void;
}

interface Drawn {
  readonly figure: string;
  readonly zone: LeafZone;
}

/** A drawn face and body whose zones are picked; arrow keys go from one to the next, Space picks. */
export function ZoneMap({ zones, lightly = [], never = [], pickWords, onPick }: ZoneMapProps) {
  const [at, setAt] = useState(0);
  const map = useRef<HTMLDivElement>(null);
  const all: readonly Drawn[] = FIGURES.flatMap((figure) =>
    figure.shapes.flatMap((shape) =>
      sidesOf(figure, shape).map(({ zone }) => ({ figure: figure.name, zone })),
    ),
  );
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = ['ArrowRight', 'ArrowDown'].includes(event.key)
      ? 1
      : ['ArrowLeft', 'ArrowUp'].includes(event.key)
        ? -1
        : 0;
    const here = all[at];
    if (by !== 0) {
      const next = (at + by + all.length) % all.length;
      setAt(next);
      map.current?.querySelectorAll<SVGElement>('[role=checkbox]')[next]?.focus();
    } else if ((event.key === ' ' || event.key === 'Enter') && here) onPick(here.zone);
    else return;
    event.preventDefault();
  };
  return (
    <div
      ref={map}
      role="group"
      aria-label={`Face and body: ${pickWords}`}
      className="flex items-start justify-center gap-2"
      onKeyDown={onKeyDown}
    >
      {FIGURES.map((figure) => (
        <svg
          key={figure.name}
          viewBox={`0 0 ${figure.width} ${figure.height}`}
          className={figure.name === 'Face' ? 'h-72' : 'h-64'}
        >
          <title>{figure.name}</title>
          {figure.outline.map((path) => (
            <path key={path} d={path} className="fill-none stroke-line-strong" />
          ))}
          {figure.shapes.map((shape) =>
            sidesOf(figure, shape).map(({ zone, flipped }) => {
              const order = all.findIndex(
                (each) => each.figure === figure.name && each.zone === zone,
              );
              return (
                <ZonePath
                  key={`${zone}-${String(flipped)}`}
                  figure={figure}
                  shape={shape}
                  zone={zone}
                  flipped={flipped}
                  number={numberOf(zones, zone, figure)}
                  look={lookOf(zone, zones, lightly, never)}
                  reachable={order === at}
                  onFocus={() => setAt(order)}
                  onPick={onPick}
                />
              );
            }),
          )}
        </svg>
      ))}
    </div>
  );
}

interface ZonePathProps {
  readonly figure: ZoneFigure;
  readonly shape: ZoneShape;
  readonly zone: LeafZone;
  readonly flipped: boolean;
  readonly number: number | undefined;
  readonly look: ZoneLook;
  readonly reachable: boolean;
  readonly onFocus: () => void;
  readonly onPick: (zone: LeafZone) => void;
}

type ZoneLook = 'none' | 'worked' | 'lightly' | 'never';

const LOOKS: Record<ZoneLook, string> = {
  none: 'fill-sheet stroke-line-strong hover:fill-sunk',
  worked: 'fill-palm stroke-sheet',
  lightly: 'fill-palm-wash stroke-palm [stroke-dasharray:3_2]',
  never: 'fill-clay-wash stroke-clay',
};
const LOOK_WORDS: Record<ZoneLook, string> = {
  none: '',
  worked: '',
  lightly: ', lightly',
  never: ', never',
};

function ZonePath({
  figure,
  shape,
  zone,
  flipped,
  number,
  look,
  reachable,
  onFocus,
  onPick,
}: ZonePathProps) {
  const [x, y] = shape.at;
  const at = flipped ? figure.width - x : x;
  const sign = look === 'never' ? '×' : number;
  return (
    <>
      <path
        d={shape.path}
        transform={flipped ? `translate(${figure.width} 0) scale(-1 1)` : undefined}
        role="checkbox"
        aria-checked={look !== 'none'}
        aria-label={`${zoneName(zone)}${LOOK_WORDS[look]}${number === undefined ? '' : `, worked ${number}.`}`}
        tabIndex={reachable ? 0 : -1}
        className={`cursor-pointer outline-offset-1 focus-visible:stroke-focus focus-visible:[stroke-width:3] ${LOOKS[look]}`}
        onFocus={onFocus}
        onClick={() => onPick(zone)}
      >
        <title>{zoneName(zone)}</title>
      </path>
      {sign !== undefined && (
        <text
          x={at}
          y={y + 4}
          textAnchor="middle"
          aria-hidden
          className={`pointer-events-none text-[13px] font-bold ${look === 'worked' ? 'fill-on-fill' : 'fill-ink'}`}
        >
          {sign}
        </text>
      )}
    </>
  );
}

/** A shape once, or once on each side; from the front, the client's left is to the right. */
function sidesOf(
  figure: ZoneFigure,
  shape: ZoneShape,
): readonly { readonly zone: LeafZone; readonly flipped: boolean }[] {
  if (shape.mirrored === undefined) return [{ zone: shape.zone, flipped: false }];
  const facing = FIGURES.find(({ name }) => name === figure.name)?.facing ?? false;
  return [
    { zone: shape.zone, flipped: facing },
    { zone: shape.mirrored, flipped: !facing },
  ];
}

/** The place in the order of work, shown once in each figure where several zones are one. */
function numberOf(
  zones: readonly ZoneId[],
  leaf: LeafZone,
  figure: ZoneFigure,
): number | undefined {
  const order = zones.findIndex((zone) => leavesOf(zone).includes(leaf));
  const zone = zones[order];
  if (zone === undefined || zones.length < 2) return undefined;
  const drawn = figure.shapes.flatMap((shape) => [
    shape.zone,
    ...(shape.mirrored === undefined ? [] : [shape.mirrored]),
  ]);
  const first = leavesOf(zone).find((each) => drawn.includes(each));
  return first === leaf || leavesOf(zone).length <= 2 ? order + 1 : undefined;
}

function lookOf(
  leaf: LeafZone,
  zones: readonly ZoneId[],
  lightly: readonly ZoneId[],
  never: readonly ZoneId[],
): ZoneLook {
  if (isChosen(never, leaf)) return 'never';
  if (isChosen(lightly, leaf)) return 'lightly';
  return isChosen(zones, leaf) ? 'worked' : 'none';
}
