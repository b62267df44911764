import { expose } from 'comlink';
import highsLoader from 'highs';
import wasmUrl from 'highs/runtime?url';
import { highsSolver } from '../../core/milp/highs.ts';
import { completions, type Package, type PackageGround } from '../../core/package/complete.ts';

/** What completes a design, the cheapest and the lightest way; ending the worker cancels it. */
export async function run(ground: PackageGround): Promise<readonly Package[]> {
  return completions(ground, highsSolver(await highsLoader({ locateFile: () => wasmUrl })));
}

expose({ run });
