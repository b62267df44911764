import { Button } from 'antd';
import { designComponents } from '../../../../../core/design/inputs.ts';
import { replaceComponent } from '../../../../../core/design/replaceComponent.ts';
import { newestOf, revisionOf } from '../../../../../core/vehicle/revisions.ts';
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
  if (!stored || stored.frozenAt) return null;
  const ids = [...new Set(designComponents(inputs).map(({ componentId }) => componentId))];
  const behind = ids.flatMap((id) => {
    const mine = shelves.components.get(id);
    const newest = newestOf(shelves.data.components, id);
    return mine && newest && newest.id !== id ? [{ mine, newest }] : [];
  });
  return (
    <>
      {behind.map(({ mine, newest }) => (
        <div key={mine.id} className="note" data-newer-component={mine.id}>
          <div className="spread">
            <span>
              The library has revision {revisionOf(newest.id)} of {newest.name}; this design stands on revision{' '}
              {revisionOf(mine.id)}, and stays on it until you take the newer one.
            </span>
            {may && (
              <Button size="small" onClick={() => set(replaceComponent(inputs, mine.id, newest.id))}>
                Take the newer one
              </Button>
            )}
          </div>
          <Fold title="What it changes">
            <ComponentDifferences components={[mine, newest]} />
          </Fold>
        </div>
      ))}
    </>
  );
}
