/**
 * Grams in one fingertip unit: a strip of cream from the last crease to the tip of an adult's
 * index finger, which covers two adult palms.
 * @see Q4; Long and Finlay, "The finger-tip unit: a new practical measure", 1991
 */
export const GRAMS_PER_FINGERTIP_UNIT = 0.5;
