/** A column of a linear programme: something that is chosen. */
export interface Column {
  /** what one of it brings */
  readonly gain: number;
  readonly least: number;
  readonly most: number;
  readonly whole?: true;
}

/** A row of a linear programme: a sum of columns, held between two figures. */
export interface Row {
  readonly least: number;
  readonly most: number;
  /** the place of a column, and how often it counts */
  readonly parts: readonly (readonly [column: number, factor: number])[];
}

/** What brings most, within rows. */
export interface LinearProgram {
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
  /** of whole columns, values that fit: nothing worse is answered */
  readonly start?: Float64Array;
}

/** The best of a linear programme. Of whole columns nothing is said but the values. */
export interface LinearSolution {
  readonly values: Float64Array;
  readonly gain: number;
  /** nothing can bring more than this; of whole columns it may be above what was found in time */
  readonly atMost: number;
  /** what one more of each row's limit would bring */
  readonly rowDuals: Float64Array;
  /** what one more of each column's own bound would bring */
  readonly columnDuals: Float64Array;
}

/** Solves a linear programme; says when it cannot. */
export type LinearSolver = (
  program: LinearProgram,
) => LinearSolution | 'infeasible' | 'unbounded' | 'gave-up';
