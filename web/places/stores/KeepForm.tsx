import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { type ItemSheet, storesAddress } from '../../../contract/stores.ts';
import { MM_PER_METRE } from '../../../core/stores/ledger.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Labelled } from '../../widgets/Labelled.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { StockInput } from './StockInput.tsx';
import { useBins } from './useBins.ts';

/** How a part is kept: its bin, when it is ordered again, by the piece or by length. */
export function KeepForm({ item, done }: { item: ItemSheet; done: () => void }) {
  const bins = useBins();
  const [binId, setBinId] = useState(item.binId);
  const [reorderAt, setReorderAt] = useState(item.reorderAt);
  const [reorderTo, setReorderTo] = useState(item.reorderTo);
  const [byLength, setByLength] = useState(item.unitSize > 1);
  const unitSize = byLength ? MM_PER_METRE : 1;
  const params = { component: item.id };
  const form = useChecked(storesAddress.keep, params, { binId, reorderAt, reorderTo, byLength, version: item.version });
  return (
    <EntryForm
      small
      save="Keep it so"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <Choice label="Bin" mayBeEmpty value={binId} options={bins} onChange={setBinId} fault={form.faults.binId} />
      <div className="row" style={{ flexWrap: 'nowrap', alignItems: 'start' }}>
        <StockInput
          label="Order again at"
          mayBeEmpty
          value={reorderAt}
          unitSize={unitSize}
          onChange={setReorderAt}
          fault={form.faults.reorderAt}
        />
        <StockInput
          label="Up to"
          mayBeEmpty
          value={reorderTo}
          unitSize={unitSize}
          onChange={setReorderTo}
          fault={form.faults.reorderTo}
        />
      </div>
      <Labelled label="How it is counted" hideLabel fault={form.faults.byLength}>
        <Checkbox checked={byLength} onChange={({ target }) => setByLength(target.checked)}>
          Kept by length: lists count metres, it is cut as it is needed
        </Checkbox>
      </Labelled>
      <Conflict
        of={storesAddress.keep}
        params={params}
        sending={form.sending}
        theirs={(now: ItemSheet) => ({
          ...{ binId: now.binId, reorderAt: now.reorderAt, reorderTo: now.reorderTo },
          ...{ byLength: now.unitSize > 1, version: now.version },
        })}
        done={done}
      />
    </EntryForm>
  );
}
