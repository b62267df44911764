import { brakesReview } from '../../../../../core/figures/balance/brakes.ts';
import { formatNumber, formatQuantity } from '../../../../../core/quantity/format.ts';
import { reasonText } from '../../../../../wording/figures.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';

const from = (g: number) => (g <= 0 ? 'always' : `from ${formatNumber(g, 2)} g`);
/** The rear locks at a gentler stop than it did: a vehicle whose rear locks first turns round. */
const locksSooner = ({ locksBefore, locksNow }: { locksBefore: number; locksNow: number }) =>
  locksNow < locksBefore - 0.02;

/** Where the braking should happen before and after: a review for a specialist, never a verdict. */
export function BrakesPanel() {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const result = sheet.get(brakesReview);
  const review = result.value;
  const share = (value: number) => formatQuantity(value, 'share', set);
  return (
    <Panel title="Brakes" aside="front share that uses both axles alike">
      <div className="in stack">
        {review ? (
          <DataTable
            label="Ideal front share of the brakes"
            rows={review.rows}
            rowKey={({ g }) => String(g)}
            columns={({ words, figures }) => [
              words('Slowing with', ({ g }) => `${formatNumber(g, 1)} g`),
              figures('Before', ({ before }) => share(before)),
              figures('Now, unladen', ({ now }) => share(now)),
              figures('Now, laden', ({ laden }) => <span className="strong">{share(laden)}</span>),
            ]}
          />
        ) : (
          <p className="soft">{reasonText(result, set)}</p>
        )}
        {review?.installed && (
          <p className={locksSooner(review.installed) ? 'wait' : undefined}>
            Built for {share(review.installed.frontShare)} in front: the rear wheels lock first{' '}
            {from(review.installed.locksBefore)} before, {from(review.installed.locksNow)} unladen and{' '}
            {from(review.installed.locksLaden)} laden now.
          </p>
        )}
        {review && (
          <p className="soft small">
            The rear wheels would lift at {formatNumber(review.liftsBefore, 2)} g before, at{' '}
            {formatNumber(review.liftsLaden, 2)} g laden now.{' '}
            {!review.installed && 'What share the brakes are built for is not known: enter it with the model. '}
            For a licensed brake specialist to look at, never a verdict.
          </p>
        )}
      </div>
    </Panel>
  );
}
