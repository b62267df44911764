import { type ClientChange, clientPageAddress } from '../../../contract/clientPage.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { dayText } from '../../../wording/dates.ts';
import { ADDITION_STATE_NAME, effectTexts } from '../../../wording/offers.ts';
import { inCurrency } from '../../../wording/purchases.ts';
import { Fold } from '../../widgets/Fold.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { AnswerForm } from './AnswerForm.tsx';
import { AnsweredLine, SumOf } from './SumOf.tsx';

interface Props {
  readonly token: string;
  readonly change: ClientChange;
  readonly set: UnitSet;
  readonly name: string;
}

/** A change as its client reads it: what it costs and what it does to range, mass and the day. */
export function ChangeCard({ token, change, set: own, name }: Props) {
  const set = inCurrency(own, change.currency);
  const open = change.state === 'priced' && !change.over;
  const does = change.effect && effectTexts(change.effect, set);
  return (
    <Panel
      title={`Change ${change.number}: ${change.wish}`}
      aside={change.over ? 'has run out' : open ? 'waits for you' : ADDITION_STATE_NAME[change.state]}
    >
      <div className="in stack" data-client-change={change.number} data-state={change.state}>
        {change.note && <p>{change.note}</p>}
        {does && (
          <div className="row">
            <span>
              range <strong>{does.range}</strong>
            </span>
            <span>
              mass <strong>{does.mass}</strong>
            </span>
            <span>
              ready <strong>{does.days}</strong>
            </span>
          </div>
        )}
        {open ? (
          <SumOf of={change} set={set} />
        ) : (
          <Fold title="What it comes to">
            <SumOf of={change} set={set} />
          </Fold>
        )}
        {change.over && <p>It stood until {dayText(change.validUntil)}. Ask for it to be priced anew.</p>}
        <AnsweredLine answered={change.answered} state={change.state} />
        {open && (
          <AnswerForm
            address={clientPageAddress.change}
            token={token}
            id={change.id}
            totalCents={change.totalCents}
            name={name}
            accept="Accept this change"
            says="Nothing of it is built before you accept it."
          />
        )}
      </div>
    </Panel>
  );
}
