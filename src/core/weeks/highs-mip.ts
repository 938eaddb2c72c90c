import type { Highs } from 'highs';
import type { Mip, MipAnswer, MipLimits, SolveMip } from './mip';

/** Asked again and again while it works. */
export interface Watch {
  /** What is found so far is enough. */
  readonly isEnough?: () => boolean;
  /** The best cost so far, and what none can be below. */
  readonly onCost?: (cost: number, bound: number) => void;
}

/** A matrix with its rows one after the other, as HiGHS takes it. */
function matrixOf({ cost, rows }: Mip) {
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  for (const { terms } of rows) {
    for (const [column, times] of terms) {
      indices.push(column);
      values.push(times);
    }
    starts.push(indices.length);
  }
  return { format: 'csr' as const, numRows: rows.length, numCols: cost.length, starts, indices, values };
}

/** Solves a programme by HiGHS, which the caller has loaded. Throws where HiGHS does not take it: that is a programmer's error. */
export function highsSolver(highs: Highs, { isEnough, onCost }: Watch = {}): SolveMip {
  const { callbackType, modelStatus, variableType } = highs.constants;
  const bounded = (value: number) => (Number.isFinite(value) ? value : Math.sign(value) * highs.infinity);
  return (mip: Mip, { seconds, gap, within = 0, start }: MipLimits): MipAnswer =>
    highs.withModel(
      {
        numCols: mip.cost.length,
        numRows: mip.rows.length,
        colCost: [...mip.cost],
        colLower: mip.lower.map(bounded),
        colUpper: mip.upper.map(bounded),
        rowLower: mip.rows.map((row) => bounded(row.lower)),
        rowUpper: mip.rows.map((row) => bounded(row.upper)),
        matrix: matrixOf(mip),
        integrality: mip.whole.map((whole) => (whole ? variableType.integer : variableType.continuous)),
      },
      (model) => {
        model.options.set({
          output_flag: false,
          time_limit: seconds,
          mip_rel_gap: gap,
          mip_abs_gap: Math.max(1e-6, within),
        });
        if (start) model.setSolution({ colValue: [...start] });
        model.run({
          [callbackType.mipInterrupt](event) {
            if (isEnough?.() === true) event.interrupt();
          },
          [callbackType.mipLogging](event) {
            const { mip_primal_bound: cost = Infinity, mip_dual_bound: bound = -Infinity } = event.data;
            if (Math.abs(cost) < 1e20) onCost?.(cost, bound);
          },
        });
        const status = model.getModelStatus();
        const cost = model.getObjectiveValue();
        const found = Math.abs(cost) < 1e20 && status !== modelStatus.infeasible;
        return {
          cost: found ? cost : undefined,
          bound: Number(model.info.get('mip_dual_bound')),
          values: found ? [...model.getSolution().colValue] : undefined,
          impossible: status === modelStatus.infeasible,
        };
      },
    );
}
