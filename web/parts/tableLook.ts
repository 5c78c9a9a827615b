/** The look of columns: names to the left, figures to the right. */
export const HEAD_LOOK = 'px-3 py-2 text-xs font-semibold text-ink-soft first:pl-6 last:pr-6';
export const CELL_LOOK = 'px-3 py-2 align-baseline first:pl-6 last:pr-6';
