/** HiGHS as the solver of cutting plans. Fetched where it is used, never with the rest. */
import type { Highs } from 'highs';
import type { Solve } from './plan';

/** @param seconds it may take for one program. */
export const solverOf =
  (highs: Highs, seconds: number): Solve =>
  (lp) =>
    highs.withModel({ format: 'lp', data: lp }, (model) => {
      model.options.set({ output_flag: false, time_limit: seconds, mip_rel_gap: 0, mip_abs_gap: 0.5 });
      model.run();
      const status = model.getModelStatus();
      const { modelStatus } = highs.constants;
      if (status !== modelStatus.optimal && status !== modelStatus.timeLimit) return null;
      const values = model.getSolution().colValue;
      if (values.length === 0) return null;
      const at = new Map(Array.from(values, (x, i) => [model.getColName(i), x] as const));
      return {
        value: (name: string) => at.get(name) ?? 0,
        bound: Number(model.info.get('mip_dual_bound')),
        optimal: status === modelStatus.optimal,
      };
    });
