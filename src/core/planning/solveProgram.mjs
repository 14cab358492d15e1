// Plain JavaScript, since a thread of Node starts it as it stands, outside the bundle; solveProgram.d.mts says its types.
import loadHighs from 'highs';

let loading;

/**
 * Finds whole numbers, each from 0 to its upper bound, at least cost so that every row adds up to at least what it needs.
 * @see solveProgram.d.mts
 */
export async function solveProgram({ costs, upper, rows }, { seconds = 20, shouldStop, onProgress } = {}) {
  loading ??= loadHighs();
  const highs = await loading;
  const { callbackType, variableType, modelStatus } = highs.constants;
  const starts = [0];
  for (const { columns } of rows) starts.push(starts.at(-1) + columns.length);
  const model = highs.createModel({
    ...{ numCols: costs.length, numRows: rows.length, colCost: costs },
    ...{ colLower: costs.map(() => 0), colUpper: upper },
    ...{ rowLower: rows.map(({ least }) => least), rowUpper: rows.map(() => highs.infinity) },
    integrality: costs.map(() => variableType.integer),
    matrix: {
      ...{ format: 'csr', numRows: rows.length, numCols: costs.length, starts },
      indices: rows.flatMap(({ columns }) => columns),
      values: rows.flatMap(({ factors }) => factors),
    },
  });
  try {
    // The gaps' own defaults call “optimal” what is only nearly so.
    model.options.set({ output_flag: false, time_limit: seconds, mip_rel_gap: 0, mip_abs_gap: 1e-9 });
    let bound = Number.NEGATIVE_INFINITY;
    const { modelStatus: ended } = model.run({
      [callbackType.mipLogging]({ data }) {
        bound = Math.max(bound, data.mip_dual_bound ?? bound);
        onProgress?.({ bound, cost: data.mip_primal_bound });
      },
      [callbackType.mipInterrupt](event) {
        bound = Math.max(bound, event.data.mip_dual_bound ?? bound);
        if (shouldStop?.()) event.interrupt();
      },
    });
    if (ended === modelStatus.infeasible) return { values: undefined, bound: undefined, proved: true };
    bound = Math.max(bound, model.info.get('mip_dual_bound'));
    const { colValue } = model.getSolution();
    const values = [...colValue].map(Math.round);
    const holds = rows.every(
      ({ columns, factors, least }) =>
        columns.reduce((sum, column, at) => sum + factors[at] * (values[column] ?? 0), 0) >= least,
    );
    if (values.length !== costs.length || !holds) return { values: undefined, bound, proved: false };
    return { values, bound, proved: ended === modelStatus.optimal };
  } finally {
    model.dispose();
  }
}
