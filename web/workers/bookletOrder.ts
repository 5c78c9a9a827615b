/** A page of a booklet, from 0; nothing is a blank one. */
export type BookletPage = number | undefined;

/**
 * The pages of a booklet two to a side, in the order in which the sides are printed: folded in the middle,
 * they follow one another. Blank pages fill up the last sheet, at the end.
 * @param pages how many there are, at least 1
 * @returns each side as its left and its right page; two sides make a sheet
 */
export function bookletOrder(pages: number): readonly (readonly [BookletPage, BookletPage])[] {
  const all = Math.ceil(pages / 4) * 4;
  const page = (at: number): BookletPage => (at < pages ? at : undefined);
  return Array.from({ length: all / 2 }, (_, side) => {
    const inner = side;
    const outer = all - 1 - side;
    /* Fronts have the later page on the left, backs on the right. */
    return side % 2 === 0
      ? ([page(outer), page(inner)] as const)
      : ([page(inner), page(outer)] as const);
  });
}
