import type { Sourced } from '../../core/quantity/sourced.ts';
import { dayAndTime } from '../../wording/dates.ts';
import { SOURCE_NAME } from '../../wording/figures.ts';
import { useWorkshop } from '../data/session.tsx';

/** Where a figure came from: measured ones with who and when. */
export function SourceMark({ of: { source, by, at } }: { of: Sourced }) {
  const workshop = useWorkshop();
  const who = by && at ? `${by}, ${dayAndTime(at, workshop.timeZone)}` : '';
  return (
    <span className={`small ${source === 'measured' ? 'pass' : source === 'assumed' ? 'wait' : 'soft'}`}>
      {SOURCE_NAME[source]}
      {who && <span className="soft"> {who}</span>}
    </span>
  );
}
