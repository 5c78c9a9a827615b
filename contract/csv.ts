/**
 * Text that a spreadsheet would take for a formula, at its beginning or after a line break within it: it
 * is marked as text when it is written as CSV.
 */
export const LIKE_A_FORMULA = /(?:^|[\r\n])\s*[=+\-@]|^[\t\r\n]/;
