/** How long the shelf lasts. */
export interface Cover {
  /** nothing when the material is not used */
  readonly daysOfCover: number | null;
  readonly shouldOrder: boolean;
}

/**
 * Days of cover = on hand / expected use a day; order when on hand is at or below the reorder point.
 * @param onHand in the material's unit, >= 0
 * @see S5 S6
 */
export function cover(onHand: number, perDay: number, reorderAt: number): Cover {
  return {
    daysOfCover: perDay > 0 ? onHand / perDay : null,
    shouldOrder: perDay > 0 && onHand <= reorderAt,
  };
}
