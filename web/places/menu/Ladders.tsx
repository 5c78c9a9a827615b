import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Ladder } from '@bienestar/core/house/house';
import type { PriceEndings } from '@bienestar/core/house/settings';
import type { ServicePrice } from '@bienestar/core/price/ladders';
import { nearestAllowed, nextAllowed, priceAxis } from '@bienestar/core/price/priceAxis';
import { money } from '../../format/figures';
import { LADDER_WORDS } from './ladderWords';

interface LaddersProps {
  readonly price: ServicePrice;
  /** the price that is pointed at; that which is charged otherwise */
  readonly pointed: number | undefined;
  readonly endings: PriceEndings;
  readonly currency: string;
  readonly onPoint: (gross: number | undefined) => void;
  readonly onCharge: (gross: number) => void;
}

const RAILS: readonly Ladder[] = ['cost-plus', 'room-hour', 'neighbourhood'];

/** Three ladders side by side on one scale of money, with the floor, and the charged price to be pulled. */
export function Ladders({ price, pointed, endings, currency, onPoint, onCharge }: LaddersProps) {
  const scale = useRef<HTMLDivElement>(null);
  /* The scale stays as it is while the price is pulled. */
  const [axis, setAxis] = useState(() => priceAxis(price));
  const [drawnFor, setDrawnFor] = useState(price);
  if (drawnFor !== price) {
    setDrawnFor(price);
    setAxis(priceAxis(price));
  }
  const { from, to, marks } = axis;
  const height = (gross: number): string => `${((gross - from) / (to - from)) * 100}%`;
  const gross = pointed ?? price.gross;

  const pull = (event: PointerEvent): void => {
    const box = scale.current?.getBoundingClientRect();
    if (!box || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const share = Math.min(1, Math.max(0, (box.bottom - event.clientY) / box.height));
    onPoint(nearestAllowed(from + share * (to - from), endings));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const way = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
    if (way === 1 || way === -1) onPoint(nextAllowed(gross, endings, way));
    else if (event.key === 'Enter' && pointed !== undefined) onCharge(pointed);
    else if (event.key === 'Escape' && pointed !== undefined) onPoint(undefined);
    else return;
    event.preventDefault();
  };

  return (
    <div className="flex flex-col gap-2">
      <div aria-hidden className="ml-14 grid grid-cols-3 text-center text-xs font-semibold">
        {RAILS.map((ladder) => (
          <span key={ladder}>{LADDER_WORDS[ladder]}</span>
        ))}
      </div>
      <div ref={scale} className="relative h-72 touch-none select-none">
        {marks.map((mark) => (
          <span
            key={mark}
            aria-hidden
            className="absolute right-0 left-0 border-t border-line text-xs text-ink-soft"
            style={{ bottom: height(mark) }}
          >
            <span className="absolute -translate-y-1/2 bg-paper pr-2">
              {money(mark, currency).replace(/[.,]00(?=\D*$)/, '')}
            </span>
          </span>
        ))}
        <span
          aria-hidden
          className="mark-loses absolute right-0 bottom-0 left-14"
          style={{ height: height(Math.max(from, Math.min(price.floorGross, to))) }}
        >
          <span className="absolute top-1 right-2 z-10 bg-paper px-1 text-xs text-clay">
            does not pay hands and things
          </span>
        </span>
        <span
          aria-hidden
          className="absolute right-0 left-14 border-t border-dashed border-ink-soft"
          style={{ bottom: height(price.evenGross) }}
        >
          <span className="absolute -top-2.5 right-2 z-10 bg-paper px-1 text-xs text-ink-soft">
            hands, things and room paid
          </span>
        </span>
        <div aria-hidden className="absolute inset-y-0 right-0 left-14 grid grid-cols-3">
          {RAILS.map((ladder) => {
            const rung = price.rungs.find((each) => each.ladder === ladder);
            return (
              <span
                key={ladder}
                className="relative mx-auto block w-16 border-x-2 border-line-strong"
              >
                {ladder === 'neighbourhood' && price.neighbourhood && (
                  <span
                    className="absolute inset-x-0 bg-palm-wash"
                    style={{
                      bottom: height(price.neighbourhood.low),
                      top: `calc(100% - ${height(price.neighbourhood.high)})`,
                    }}
                  />
                )}
                {rung ? (
                  <span
                    className="absolute -inset-x-2 border-t-4 border-palm"
                    style={{ bottom: height(rung.price.gross) }}
                  >
                    <span className="pointer-events-none absolute -top-6 left-1/2 z-10 -translate-x-1/2 bg-paper px-1 text-sm font-semibold">
                      {money(rung.price.gross, currency)}
                    </span>
                  </span>
                ) : (
                  <span className="absolute inset-x-0 top-1/2 text-center text-xs text-ink-soft">
                    not told
                  </span>
                )}
              </span>
            );
          })}
        </div>
        <div
          role="slider"
          tabIndex={0}
          aria-label="Charged price"
          aria-orientation="vertical"
          aria-valuemin={from}
          aria-valuemax={to}
          aria-valuenow={gross}
          aria-valuetext={money(gross, currency)}
          title="Pull to try another price"
          onKeyDown={onKeyDown}
          onBlur={() => onPoint(undefined)}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
          }}
          onPointerMove={pull}
          onPointerUp={() => {
            if (pointed !== undefined && pointed !== price.gross) onCharge(pointed);
          }}
          className="absolute right-0 left-14 -mb-3 flex h-6 cursor-ns-resize items-center"
          style={{ bottom: height(Math.max(from, Math.min(gross, to))) }}
        >
          <span className="h-0.5 flex-1 bg-clay" />
          <span className="bg-clay px-2 py-0.5 font-serif text-lg leading-tight text-on-fill">
            {money(gross, currency)}
          </span>
        </div>
      </div>
      <p className="ml-14 text-xs text-ink-soft">
        Pull the line to try a price, or use ↑ ↓; Enter charges it, Esc lets it go.
      </p>
    </div>
  );
}
