import type { Step } from '@bienestar/core/house/house';
import { ZONE_MODES } from '@bienestar/core/house/ways';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { DARK, LOOKS, lookOf, numberOf, sidesOf, signOf } from './zoneLook';
import { FIGURES } from './zoneShapes';

/** Where a step is worked, drawn: the figures that it is worked on, with the order and where lightly, more, last, never. */
export function ZonesDrawn({ step }: { readonly step: Step }) {
  const { zones } = step;
  const modes = Object.fromEntries(ZONE_MODES.map((mode) => [mode, step[mode] ?? []]));
  const figures = FIGURES.filter((figure) =>
    figure.shapes.some((shape) =>
      sidesOf(figure, shape).some(({ zone }) => lookOf(zone, zones, modes) !== 'none'),
    ),
  );
  if (zones.length === 0 || figures.length === 0) return null;
  return (
    <div
      role="img"
      aria-label={`Drawn: ${zonesSaid(zones).join(', ')}`}
      className="flex items-start gap-3"
    >
      {figures.map((figure) => (
        <svg
          key={figure.name}
          viewBox={figure.viewBox}
          aria-hidden
          className={figure.name === 'Face' ? 'h-72' : 'h-64'}
        >
          {figure.outline.map((path) => (
            <path key={path} d={path} className="fill-none stroke-line-strong" />
          ))}
          {figure.shapes.map((shape) =>
            sidesOf(figure, shape).map(({ zone, flipped }) => {
              const look = lookOf(zone, zones, modes);
              const sign = signOf(look, numberOf(zones, zone, figure));
              const [x, y] = shape.at;
              return (
                <g key={`${zone}-${String(flipped)}`}>
                  <path
                    d={shape.path}
                    transform={flipped ? `translate(${figure.width} 0) scale(-1 1)` : undefined}
                    className={`[vector-effect:non-scaling-stroke] ${LOOKS[look]}`}
                  />
                  {sign !== undefined && (
                    <text
                      x={flipped ? figure.width - x : x}
                      y={y + 4}
                      textAnchor="middle"
                      className={`text-[13px] font-bold ${DARK.has(look) ? 'fill-on-fill' : 'fill-ink'}`}
                    >
                      {sign}
                    </text>
                  )}
                </g>
              );
            }),
          )}
        </svg>
      ))}
    </div>
  );
}
