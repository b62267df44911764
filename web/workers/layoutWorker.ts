import { expose } from 'comlink';
import highsLoader from 'highs';
import wasmUrl from 'highs/runtime?url';
import { type Layout, layouts, type NoLayout } from '../../core/layout/solve.ts';
import type { LayoutTask } from '../../core/layout/task.ts';
import { highsSolver } from '../../core/milp/highs.ts';

/** Finds layouts with HiGHS, which ships with the page, and tells each as it is found; ending the worker cancels it. */
export async function run(
  task: LayoutTask,
  most: number,
  tell: (layout: Layout) => Promise<void> | void,
): Promise<NoLayout | null> {
  const solve = highsSolver(await highsLoader({ locateFile: () => wasmUrl }));
  const steps = layouts(task, solve, { most });
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    await tell(step.value);
  }
}

expose({ run });
