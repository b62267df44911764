import { FilePdfOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { hasRole } from '../../../contract/rights.ts';
import { dispatchNeeds } from '../../../core/order/dispatch.ts';
import { DISPATCH_NEED_NAME } from '../../../wording/orders.ts';
import { fileUrl } from '../../data/client.ts';
import { usePerson } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

const MOST_SHOWN = 3;

/** Everything that must be so before the kit leaves; what is missing leaves only as a decision with a reason. */
export function BeforeItLeaves({ order }: { order: OrderSheet }) {
  const { role } = usePerson();
  const needs = dispatchNeeds({ ...order, papers: order.papers.map(({ kind }) => kind) });
  const unmet = needs.filter(({ met }) => !met);
  const missing = unmet.flatMap(({ need, missing: what }) => what.map((one) => `${DISPATCH_NEED_NAME[need]}: ${one}`));
  const hard = unmet.some(({ hard: must }) => must);
  const [carrier, setCarrier] = useState('');
  const [why, setWhy] = useState('');
  const form = useChecked(
    orderAddress.send,
    { order: order.number },
    { carrier, missing, why, version: order.version },
  );
  const may = hasRole(role, missing.length > 0 ? 'manager' : orderAddress.send.may);
  return (
    <Panel title="Before it leaves" aside={`${needs.length - unmet.length} of ${needs.length}`}>
      {needs.map(({ need, met, missing: what, hard: must }) => (
        <div key={need} className="revision" data-dispatch={need} data-met={met}>
          <StateMark mark={met ? 'pass' : must ? 'stop' : 'open'} label={met ? 'so' : 'not so'} />
          <div>
            {DISPATCH_NEED_NAME[need]}
            {!met && (
              <div className="soft small">
                {what.slice(0, MOST_SHOWN).join('; ')}
                {what.length > MOST_SHOWN && ` and ${what.length - MOST_SHOWN} more`}
              </div>
            )}
          </div>
        </div>
      ))}
      <div className="in stack">
        {hard && (
          <p className="stop small">
            Without this it stays here, and nobody lets it leave without:{' '}
            {unmet.flatMap(({ hard: must, missing: what }) => (must ? what : [])).join(', ')}.
          </p>
        )}
        {may && !hard && (
          <EntryForm
            small
            save={missing.length > 0 ? 'Send it all the same' : 'Send it'}
            busy={form.busy}
            refusal={form.refusal}
            onSave={() => void form.save()}
          >
            <TextField label="Carrier" value={carrier} onChange={setCarrier} fault={form.faults.carrier} />
            {missing.length > 0 && (
              <TextField
                label={`Why it leaves although ${missing.length} ${missing.length === 1 ? 'thing is' : 'things are'} missing`}
                value={why}
                onChange={setWhy}
                fault={form.faults.why}
              />
            )}
          </EntryForm>
        )}
        {!may && missing.length > 0 && <p className="soft small">What is missing can be let pass by a manager.</p>}
        <div className="row">
          <Button
            size="small"
            icon={<FilePdfOutlined />}
            href={fileUrl(orderAddress.packing, { order: order.number })}
            target="_blank"
          >
            Packing list
          </Button>
          <Button
            size="small"
            icon={<FilePdfOutlined />}
            href={fileUrl(orderAddress.labels, { order: order.number })}
            target="_blank"
          >
            Labels
          </Button>
        </div>
      </div>
    </Panel>
  );
}
