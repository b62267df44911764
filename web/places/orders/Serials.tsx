import { Button, Popover } from 'antd';
import { useState } from 'react';
import { numbersAddress } from '../../../contract/numbers.ts';
import { orderAddress } from '../../../contract/orders.ts';
import type { OrderLine } from '../../../core/order/order.ts';
import { numberChoice } from '../../../wording/stores.ts';
import { useOfAddress } from '../../data/resources.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { NumbersInput } from '../../widgets/NumbersInput.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Numbers of what carries one: typed or read by a scanner, which types and ends with Enter. */
export function Serials({ line, may }: { line: OrderLine; may: boolean }) {
  const [open, setOpen] = useState(false);
  const wanted = line.first?.pieces ?? line.pieces;
  const said = `${line.serials.length} of ${wanted} numbers`;
  const shown = <span className={line.serials.length < wanted ? 'wait' : 'soft'}>{said}</span>;
  return (
    <div className="small">
      {line.serials.length > 0 && line.serials.length <= 3 && (
        <span className="soft">{line.serials.join(', ')} · </span>
      )}
      {may ? (
        <Popover
          trigger="click"
          open={open}
          onOpenChange={setOpen}
          destroyOnHidden
          content={<Entry line={line} done={() => setOpen(false)} />}
        >
          <button type="button" className="link-like" aria-label={`Numbers of ${line.name}: ${said}`}>
            {shown}
          </button>
        </Popover>
      ) : (
        shown
      )}
    </div>
  );
}

function Entry({ line, done }: { line: OrderLine; done: () => void }) {
  const [serials, setSerials] = useState<string[]>([...line.serials]);
  const { data: there } = useOfAddress(numbersAddress.inBins, { component: line.componentId });
  const form = useChecked(orderAddress.serials, { id: line.id }, { serials });
  const fault = form.faults.serials ?? Object.values(form.faults)[0];
  return (
    <EntryForm
      small
      save="Write them down"
      busy={form.busy}
      refusal={form.refusal}
      style={{ width: 320 }}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <NumbersInput
        label={`Serial numbers of ${line.name}, each with Enter`}
        value={serials}
        onChange={setSerials}
        known={(there ?? []).filter(({ forJob }) => forJob === null).map(numberChoice)}
        fault={fault}
      />
    </EntryForm>
  );
}
