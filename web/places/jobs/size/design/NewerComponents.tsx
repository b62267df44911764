import { Button } from 'antd';
import { useMemo } from 'react';
import type { LibraryComponent } from '../../../../../contract/library.ts';
import { designComponents } from '../../../../../core/design/inputs.ts';
import { replaceComponent } from '../../../../../core/design/replaceComponent.ts';
import { revisionOf, rootOf } from '../../../../../core/vehicle/revisions.ts';
import { useMay } from '../../../../data/useMay.ts';
import { ComponentDifferences } from '../../../../widgets/ComponentDifferences.tsx';
import { Fold } from '../../../../widgets/Fold.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from './useDesign.ts';

/** Parts of the design that the library has a newer revision of: what it changes, and taking it into the draft. */
export function NewerComponents() {
  const { job, stored, shelves } = useOpenJob('job', 'stored', 'shelves');
  const { inputs, set } = useDesign();
  const may = useMay(job, 'design');
  // Found once for a library: a changed number of the design asks only for its own parts.
  const newest = useMemo(() => {
    const found = new Map<string, LibraryComponent>();
    for (const one of shelves.data.components) {
      const root = rootOf(one.id);
      const known = found.get(root);
      if (!known || revisionOf(one.id) > revisionOf(known.id)) found.set(root, one);
    }
    return new Map(shelves.data.components.map(({ id }) => [id, found.get(rootOf(id))!] as const));
  }, [shelves]);
  if (!stored || stored.frozenAt) return null;
  const ids = [...new Set(designComponents(inputs).map(({ componentId }) => componentId))];
  const behind = ids.flatMap((id) => {
    const mine = shelves.components.get(id);
    const next = newest.get(id);
    return mine && next && next.id !== id ? [{ mine, next }] : [];
  });
  return (
    <>
      {behind.map(({ mine, next }) => (
        <div key={mine.id} className="note" data-newer-component={mine.id}>
          <div className="spread">
            <span>
              The library has revision {revisionOf(next.id)} of {next.name}; this design stands on revision{' '}
              {revisionOf(mine.id)}, and stays on it until you take the newer one.
            </span>
            {may && (
              <Button size="small" onClick={() => set(replaceComponent(inputs, mine.id, next.id))}>
                Take the newer one
              </Button>
            )}
          </div>
          <Fold title="What it changes">
            <ComponentDifferences components={[mine, next]} />
          </Fold>
        </div>
      ))}
    </>
  );
}
