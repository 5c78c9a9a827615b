import type { Highs } from 'highs';
import type { LinearProgram, LinearSolution, LinearSolver } from './linear';

/** Within an answer of whole figures is given, the best until then. */
const MOST_SECONDS = 1.6;
const EXACT = {
  output_flag: false,
  primal_feasibility_tolerance: 1e-9,
  dual_feasibility_tolerance: 1e-9,
};
/* Weeks are small and have no rows to spare: what is prepared takes longer than what it spares. */
const IN_PARTS = { ...EXACT, presolve: 'off' };
const IN_WHOLE = { ...EXACT, mip_rel_gap: 1e-6, time_limit: MOST_SECONDS };

/**
 * Linear programmes solved by HiGHS (Huangfu and Hall, 2018): exactly, by the simplex method; of whole columns the
 * best within a second and a half, with what at most there could be. It blocks whoever calls it, so it belongs into
 * a worker.
 * @param highs as its package loads it
 */
export function highsSolver(highs: Highs): LinearSolver {
  const { modelStatus } = highs.constants;
  return (program) =>
    highs.withModel(modelOf(program, highs), (model) => {
      const whole = program.columns.some((column) => column.whole);
      model.options.set(whole ? IN_WHOLE : IN_PARTS);
      if (program.start) model.setSolution({ colValue: program.start });
      model.run();
      const status = model.getModelStatus();
      if (status === modelStatus.infeasible || status === modelStatus.unboundedOrInfeasible) {
        return 'infeasible';
      }
      if (status === modelStatus.unbounded) return 'unbounded';
      const gain = model.getObjectiveValue();
      const isDone = status === modelStatus.optimal || status === modelStatus.empty;
      const isFound = whole && status === modelStatus.timeLimit && Number.isFinite(gain);
      if (!isDone && !isFound) return 'gave-up';
      const { colValue, rowDual, colDual } = model.getSolution();
      const atMost = whole ? Number(model.info.get('mip_dual_bound')) : gain;
      return {
        values: colValue,
        gain,
        atMost,
        rowDuals: rowDual,
        columnDuals: colDual,
      } satisfies LinearSolution;
    });
}

function modelOf({ columns, rows }: LinearProgram, highs: Highs) {
  const { objectiveSense, variableType } = highs.constants;
  const starts = new Int32Array(rows.length + 1);
  rows.forEach(({ parts }, at) => (starts[at + 1] = (starts[at] ?? 0) + parts.length));
  const entries = rows.flatMap(({ parts }) => parts);
  const shared = {
    numCols: columns.length,
    numRows: rows.length,
    sense: objectiveSense.maximize,
    colCost: Float64Array.from(columns, ({ gain }) => gain),
    colLower: Float64Array.from(columns, ({ least }) => least),
    colUpper: Float64Array.from(columns, ({ most }) => most),
    rowLower: Float64Array.from(rows, ({ least }) => least),
    rowUpper: Float64Array.from(rows, ({ most }) => most),
    matrix: {
      format: 'csr' as const,
      numRows: rows.length,
      numCols: columns.length,
      starts,
      indices: Int32Array.from(entries, ([column]) => column),
      values: Float64Array.from(entries, ([, factor]) => factor),
    },
  };
  return columns.some(({ whole }) => whole)
    ? {
        ...shared,
        integrality: columns.map(({ whole }) =>
          whole ? variableType.integer : variableType.continuous,
        ),
      }
    : shared;
}
