import type { ClientOffer } from '../../../contract/clientPage.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { dayText } from '../../../wording/dates.ts';
import { money, percent, short } from '../../../wording/offers.ts';

type Sums = Pick<ClientOffer, 'lines' | 'netCents' | 'rates' | 'totalCents'>;

/** Lines and their sum, as a client reads them. */
export function SumOf({ of, set }: { of: Sums; set: UnitSet }) {
  const row = (key: string, text: string, cents: number, strong = false) => (
    <div key={key} className="figure">
      <span>{strong ? <strong>{text}</strong> : text}</span>
      <span className="num">{strong ? <strong>{money(cents, set)}</strong> : money(cents, set)}</span>
    </div>
  );
  return (
    <div>
      {of.lines.map((line, i) =>
        row(
          `${i} ${line.text}`,
          line.quantity === null || line.quantity === 1 ? line.text : `${line.text}, ${short(line.quantity)}`,
          line.netCents,
        ),
      )}
      {row('net', 'Before tax', of.netCents)}
      {of.rates.map(({ taxShare, taxCents }) => row(`tax ${taxShare}`, `Tax ${percent(taxShare)}`, taxCents))}
      {row('total', 'To pay', of.totalCents, true)}
    </div>
  );
}

/** Who has answered, and when. */
export function AnsweredLine({ answered, state }: Pick<ClientOffer, 'answered'> & { state: string }) {
  if (!answered) return null;
  return (
    <p data-answered>
      {state === 'accepted' ? 'Accepted' : 'Declined'} by {answered.by}, {dayText(answered.at.slice(0, 10))}
      {answered.why && `: ${answered.why}`}
    </p>
  );
}
