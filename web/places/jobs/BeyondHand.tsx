import { KIND_NAME } from '../../../core/component/kinds/index.ts';
import type { ComponentKind } from '../../../core/component/sheets.ts';
import { formatNumber } from '../../../core/quantity/format.ts';
import { useOpenJob } from './openJob.ts';

/** More kinds than this are counted together. */
const MOST_NAMED = 4;

/** Says how many of the catalogue are not looked at, where it has more than are at hand; of all kinds, or of some. */
export function BeyondHand({ kinds }: { kinds?: readonly ComponentKind[] }) {
  const { shelves } = useOpenJob('shelves');
  const { beyond } = shelves.data;
  const left = (kinds ?? (Object.keys(beyond) as ComponentKind[])).flatMap((kind) => {
    const n = beyond[kind] ?? 0;
    return n > 0 ? [{ kind, n }] : [];
  });
  if (left.length === 0) return null;
  const all = left.reduce((sum, { n }) => sum + n, 0);
  return (
    <p className="wait small" data-beyond={all}>
      Not looked at:{' '}
      {left.length > MOST_NAMED
        ? `${formatNumber(all, 0)} more of the catalogue, of ${left.length} kinds`
        : left.map(({ kind, n }) => `${formatNumber(n, 0)} more of ${KIND_NAME[kind].toLowerCase()}`).join(', ')}
      . What is in stock comes first, then the workshop’s own, then the cheapest; one chosen by name in a design is
      looked at too.
    </p>
  );
}
