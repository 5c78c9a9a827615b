/** A cell of a list; nothing where there is nothing to say. */
export type Cell = string | number | undefined;

/** A list as other programs read it: its headings, then its rows, page by page. Money in the house's currency. */
export interface ExportList {
  readonly headings: readonly string[];
  readonly pages: AsyncIterable<Rows> | Iterable<Rows>;
}
export type Rows = readonly (readonly Cell[])[];
