import type { PriceEndings } from '../house/settings';
import { chargedPrice } from './priceEnding';
import type { ServicePrice } from './ladders';

/** From which price to which a service is looked at, minor units. */
export interface PriceAxis {
  readonly from: number;
  readonly to: number;
  /** round prices between, to write beside it */
  readonly marks: readonly number[];
}

const MARKS = 6;

/** An axis on which the floor, every ladder and the neighbourhood of a price have room. */
export function priceAxis({
  gross,
  floorGross,
  evenGross,
  rungs,
  neighbourhood,
}: ServicePrice): PriceAxis {
  const shown = [gross, floorGross, evenGross, ...rungs.map(({ price }) => price.gross)];
  if (neighbourhood) shown.push(neighbourhood.low, neighbourhood.high);
  const step = roundStep((Math.max(...shown) - Math.min(...shown) * 0.8) / MARKS);
  const from = Math.max(0, Math.floor((Math.min(...shown) * 0.9) / step) * step);
  const to = Math.ceil((Math.max(...shown) * 1.06) / step) * step;
  const marks = Array.from(
    { length: Math.round((to - from) / step) + 1 },
    (_, at) => from + at * step,
  );
  return { from, to, marks };
}

/** 1, 2 or 5 times a power of ten, at or above what is wanted. */
function roundStep(wanted: number): number {
  const power = 10 ** Math.floor(Math.log10(Math.max(wanted, 1)));
  return [1, 2, 5, 10].map((times) => times * power).find((step) => step >= wanted) ?? 10 * power;
}

/**
 * The allowed price nearest to one that is pointed at; as it is where no ending fits. @see P5
 * @example nearestAllowed(6120, { everyMinor: 1000, endingsMinor: [0, 500, 900], rounding: 'up' }) // 6000
 */
export function nearestAllowed(gross: number, endings: PriceEndings): number {
  const charged = chargedPrice(Math.max(gross, 1), { ...endings, rounding: 'nearest' });
  return charged.ok ? charged.value : Math.round(gross);
}

/**
 * The allowed price after, or before, another. @see P5
 * @example nextAllowed(6500, { everyMinor: 1000, endingsMinor: [0, 500, 900], rounding: 'up' }, 1) // 6900
 */
export function nextAllowed(gross: number, endings: PriceEndings, way: 1 | -1): number {
  for (let apart = 1; apart <= endings.everyMinor; apart *= 2) {
    const next = nearestAllowed(gross + way * apart, endings);
    if ((next - gross) * way > 0) return next;
  }
  return nearestAllowed(gross + way * endings.everyMinor, endings);
}
