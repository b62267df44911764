import { Button, Popover, Select } from 'antd';
import { useId, useState } from 'react';
import { orderAddress } from '../../../contract/orders.ts';
import type { OrderLine } from '../../../core/order/order.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
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
  const id = useId();
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
      <label htmlFor={id} className="soft small">
        Serial numbers of {line.name}, each with Enter
      </label>
      <Select
        id={id}
        mode="tags"
        open={false}
        suffixIcon={null}
        tokenSeparators={[',', ';', '\n', '\t', ' ']}
        value={serials}
        onChange={setSerials}
        style={{ width: '100%' }}
      />
      {fault && <div className="fault">{fault}</div>}
    </EntryForm>
  );
}
