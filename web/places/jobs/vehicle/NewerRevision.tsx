import { Button } from 'antd';
import { variantAddress } from '../../../../contract/variants.ts';
import { newestOf, revisionOf } from '../../../../core/vehicle/revisions.ts';
import { useMay } from '../../../data/useMay.ts';
import { Fold } from '../../../widgets/Fold.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { VariantDifferences } from '../../../widgets/VariantDifferences.tsx';
import { useOpenJob } from '../openJob.ts';

/** The library has a newer revision of this vehicle's model: what it changes, and taking it. */
export function NewerRevision() {
  const { job, shelves, vehicle } = useOpenJob('job', 'shelves', 'vehicle');
  const may = useMay(job, 'measure');
  const sending = useSend(false, { typed: false });
  const { variant } = vehicle;
  const newest = newestOf(shelves.variants.values(), variant.id);
  if (!newest || newest.id === variant.id) return null;
  const take = () => sending.go(variantAddress.take, { number: job.number }, { variantId: newest.id, was: variant.id });
  return (
    <div className="note" data-newer-revision>
      <div className="spread">
        <span>
          The library has revision {revisionOf(newest.id)} of this model; this vehicle stands on revision{' '}
          {revisionOf(variant.id)}. What was measured on it stays either way.
        </span>
        {may && (
          <Button size="small" loading={sending.busy} onClick={() => void take()}>
            Take the newer one
          </Button>
        )}
      </div>
      <Fold title="What it changes">
        <VariantDifferences variants={[variant, newest]} />
      </Fold>
    </div>
  );
}
