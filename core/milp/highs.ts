import type { Highs } from 'highs';
import type { Solved, Solver } from './solver.ts';

/** HiGHS's own numbers for what became of a model. */
const OPTIMAL = 7;
const INFEASIBLE = 8;
const UNBOUNDED_OR_INFEASIBLE = 9;
/** A programme whose best has no end has no answer either. */
const UNBOUNDED = 10;

/** Solves with HiGHS (MIT licence, its WebAssembly build), exact to its gap of nought. */
export const highsSolver =
  (highs: Highs): Solver =>
  (lp, limitS): Solved => {
    const model = highs.createModel({ format: 'lp', data: lp });
    try {
      model.options.set({ output_flag: false, time_limit: limitS, mip_rel_gap: 0, mip_abs_gap: 1e-7 });
      model.run();
      const status = Number(model.getModelStatus());
      const none = status === INFEASIBLE || status === UNBOUNDED_OR_INFEASIBLE || status === UNBOUNDED;
      const objective = model.getObjectiveValue();
      const found = !none && Number.isFinite(objective) && Number(model.info.get('primal_solution_status')) === 2;
      const values = found ? model.getSolution().colValue : [];
      const columns = new Map(Array.from(values, (value, i) => [model.getColName(i), value]));
      return {
        state: none ? 'none' : !found ? 'stopped' : status === OPTIMAL ? 'optimal' : 'feasible',
        value: (name) => columns.get(name) ?? 0,
        objective,
        gap: found && status !== OPTIMAL ? Number(model.info.get('mip_gap')) : 0,
      };
    } finally {
      model.dispose();
    }
  };
