/*
 * What nothing in a house is beyond, said once: figures are refused by it in core, files and requests by the contract's
 * schemas, and what is typed by the forms.
 */

/* Letters: of a name; of a note, a reason or a few words; of a text in its own right; of what is printed on a pack. */
export const LONGEST_NAME = 120;
export const LONGEST_NOTE = 500;
export const LONGEST_TEXT = 2_000;
export const LONGEST_LOT_CODE = 60;
export const LONGEST_UNIT = 20;
export const MINUTES_IN_A_DAY = 1_440;
/** What one dose takes or one container holds at most, in ml, g or pieces. */
export const LARGEST_CONTENT = 100_000;
/** More of anything is kept nowhere, in its unit. */
export const LARGEST_QUANTITY = 1_000_000_000;
/** More money is asked nowhere at once, in minor units. */
export const LARGEST_MINOR = 1_000_000_000;
/** Packs that a line of an order holds, or of which it is sent back. */
export const MOST_PACKS = 100_000;
/** Visits that are planned of one service. */
export const MOST_VISITS_PER_WEEK = 2_000;
/** Of a run that nobody ended the logbook keeps so many minutes: ten days. */
export const LONGEST_LOGGED_MINUTES = 14_400;
