import { expose } from 'comlink';
import highsLoader from 'highs';
import wasmUrl from 'highs/runtime?url';
import { formStrings, proveStrings, type Strings, type StringTask } from '../../core/grading/strings.ts';
import { highsSolver } from '../../core/milp/highs.ts';

/** How long a proof is waited for, s. */
const PROOF_S = 4;

/** Forms strings at once and tells them; then tells them again as HiGHS proves them, where that is needed and can be done. */
export async function run(task: StringTask, tell: (found: Strings | null) => Promise<void> | void): Promise<void> {
  const found = formStrings(task);
  await tell(found);
  if (!found || found.proved) return;
  const solve = highsSolver(await highsLoader({ locateFile: () => wasmUrl }));
  await tell(proveStrings(task, found, solve, PROOF_S));
}

expose({ run });
