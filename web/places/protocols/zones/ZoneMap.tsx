import { useRef, useState, type KeyboardEvent } from 'react';
import type { ZoneMode } from '@bienestar/core/house/ways';
import { type ZoneId } from '@bienestar/core/zone/zones';
import { zoneName } from '@bienestar/core/zone/zoneNames';
import { Segments } from '../../../parts/Segments';
import { LARGE_FIGURES } from './zonePartShapes';
import { DARK, LOOKS, lookOf, numberOf, sidesOf, signOf, type ZoneLook } from './zoneLook';
import { FIGURES, type ZoneFigure, type ZoneShape } from './zoneShapes';

interface ZoneMapProps {
  /** in the order in which they are worked */
  readonly zones: readonly ZoneId[];
  /** of them, where it is done otherwise */
  readonly modes?: Readonly<Partial<Record<ZoneMode, readonly ZoneId[]>>>;
  /** what a pick means, in words */
  readonly pickWords: string;
  readonly onPick: (zone: ZoneId) => void;
}

interface Drawn {
  readonly figure: string;
  readonly zone: ZoneId;
}

type View = 'whole' | keyof typeof LARGE_FIGURES;
const VIEWS: readonly { readonly value: View; readonly label: string }[] = [
  { value: 'whole', label: 'whole' },
  { value: 'face', label: 'face' },
  { value: 'front', label: 'front' },
  { value: 'back', label: 'back' },
  { value: 'legs', label: 'legs' },
];

/**
 * A drawn face and body whose zones are picked, as a whole or large with the finest parts; arrow keys go from one to
 * the next, Space picks.
 */
export function ZoneMap({ zones, modes = {}, pickWords, onPick }: ZoneMapProps) {
  const [view, setView] = useState<View>('whole');
  const [at, setAt] = useState(0);
  const map = useRef<HTMLDivElement>(null);
  const figures = view === 'whole' ? FIGURES : LARGE_FIGURES[view];
  const all: readonly Drawn[] = figures.flatMap((figure) =>
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
    <div className="flex flex-col gap-2">
      <Segments
        label="What is drawn"
        labelHidden
        value={view}
        options={VIEWS}
        onChoose={(next) => {
          setView(next);
          setAt(0);
        }}
      />
      <div
        ref={map}
        role="group"
        aria-label={`Face and body: ${pickWords}`}
        className="flex items-start justify-center gap-2"
        onKeyDown={onKeyDown}
      >
        {figures.map((figure) => (
          <svg key={figure.name} viewBox={figure.viewBox} className={sizeOf(view, figure)}>
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
                    look={lookOf(zone, zones, modes)}
                    isLarge={view !== 'whole'}
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
    </div>
  );
}

function sizeOf(view: View, { name }: ZoneFigure): string {
  if (view === 'whole') return name === 'Face' ? 'h-72' : 'h-64';
  return view === 'legs' ? 'w-1/2' : 'w-full max-w-96';
}

interface ZonePathProps {
  readonly figure: ZoneFigure;
  readonly shape: ZoneShape;
  readonly zone: ZoneId;
  readonly flipped: boolean;
  readonly number: number | undefined;
  readonly look: ZoneLook;
  readonly isLarge: boolean;
  readonly reachable: boolean;
  readonly onFocus: () => void;
  readonly onPick: (zone: ZoneId) => void;
}

const LOOK_WORDS: Record<ZoneLook, string> = {
  none: '',
  part: ', in part',
  worked: '',
  lightly: ', lightly',
  more: ', more',
  last: ', last',
  never: ', never',
};
function ZonePath({
  figure,
  shape,
  zone,
  flipped,
  number,
  look,
  isLarge,
  reachable,
  onFocus,
  onPick,
}: ZonePathProps) {
  const [x, y] = shape.at;
  const at = flipped ? figure.width - x : x;
  const sign = signOf(look, number);
  return (
    <>
      <path
        d={shape.path}
        transform={flipped ? `translate(${figure.width} 0) scale(-1 1)` : undefined}
        role="checkbox"
        aria-checked={look === 'part' ? 'mixed' : look !== 'none'}
        aria-label={`${zoneName(zone)}${LOOK_WORDS[look]}${number === undefined ? '' : `, worked ${number}.`}`}
        tabIndex={reachable ? 0 : -1}
        className={`cursor-pointer [vector-effect:non-scaling-stroke] outline-offset-1 hover:brightness-95 focus-visible:stroke-focus focus-visible:[stroke-width:3] ${LOOKS[look]}`}
        onFocus={onFocus}
        onClick={() => onPick(zone)}
      >
        <title>{zoneName(zone)}</title>
      </path>
      {sign !== undefined && (
        <text
          x={at}
          y={y + (isLarge ? 2 : 4)}
          textAnchor="middle"
          aria-hidden
          className={`pointer-events-none font-bold ${isLarge ? 'text-[7px]' : 'text-[13px]'} ${DARK.has(look) ? 'fill-on-fill' : 'fill-ink'}`}
        >
          {sign}
        </text>
      )}
    </>
  );
}
