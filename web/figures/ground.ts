/** Something to be put on a ground by two figures. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Where a mark stands, in pixels from the left and from below. */
export interface Placed {
  readonly left: number;
  readonly bottom: number;
  /** its figure lies so far out that it stands at the edge instead */
  readonly beyond: { readonly x: boolean; readonly y: boolean };
}

/** The part of an axis that is drawn. */
export interface Range {
  readonly from: number;
  readonly to: number;
}

/** A figure is far out when it lies so many times the middle half beyond that half. */
const FAR_OUT = 4;

/** The value below which a share of sorted values lies, between two of them in proportion. */
function quantileOf(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share;
  const low = sorted[Math.floor(at)] ?? 0;
  const high = sorted[Math.ceil(at)] ?? low;
  return low + (high - low) * (at - Math.floor(at));
}

/**
 * What of an axis is drawn, so that one figure far out does not squeeze all others into a corner.
 * @param always what must be within it: a line
 */
export function rangeOf(values: readonly number[], always: readonly number[]): Range {
  const sorted = values.toSorted((a, b) => a - b);
  const low = quantileOf(sorted, 0.25);
  const high = quantileOf(sorted, 0.75);
  const room = FAR_OUT * (high - low);
  const near = values.filter((value) => value >= low - room && value <= high + room);
  const kept = [...(room > 0 ? near : values), ...always];
  return { from: Math.min(...kept), to: Math.max(...kept) };
}

/** Where a value lies along a length of an axis, from `margin` on. */
export function along(value: number, { from, to }: Range, length: number, margin: number): number {
  const share = to > from ? (value - from) / (to - from) : 0.5;
  return margin + Math.min(1, Math.max(0, share)) * (length - 2 * margin);
}

/**
 * Marks on a ground, none over another: what would lie on one that is there stands beside it, as little
 * to the side as can be.
 * @param size of a mark and the ground, in pixels
 * @returns a place for each point, in their order
 */
export function placeOn(
  points: readonly Point[],
  ranges: { readonly x: Range; readonly y: Range },
  size: { readonly width: number; readonly height: number; readonly mark: number },
): readonly Placed[] {
  const margin = size.mark / 2;
  const placed: Placed[] = [];
  for (const { x, y } of points) {
    const bottom = along(y, ranges.y, size.height, margin);
    const wanted = along(x, ranges.x, size.width, margin);
    const isFree = (left: number): boolean =>
      placed.every(
        (other) => Math.hypot(other.left - left, other.bottom - bottom) >= size.mark - 1e-6,
      );
    placed.push({
      left: nearestFree(wanted, isFree, { from: margin, to: size.width - margin }),
      bottom,
      beyond: { x: isBeyond(x, ranges.x), y: isBeyond(y, ranges.y) },
    });
  }
  return placed;
}

function isBeyond(value: number, { from, to }: Range): boolean {
  return value < from || value > to;
}

function nearestFree(wanted: number, isFree: (at: number) => boolean, within: Range): number {
  for (let step = 0; step <= within.to - within.from; step += 2) {
    for (const at of [wanted + step, wanted - step]) {
      if (at >= within.from && at <= within.to && isFree(at)) return at;
    }
  }
  return wanted;
}
