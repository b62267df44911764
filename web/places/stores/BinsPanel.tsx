import { PlusOutlined, QrcodeOutlined } from '@ant-design/icons';
import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { hasRole } from '../../../contract/rights.ts';
import { type BinRow, storesAddress } from '../../../contract/stores.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { stockText } from '../../../wording/stores.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useUnitSet, useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** The bins, when each was last counted, and what the last counts found. */
export function BinsPanel() {
  const { data } = useOfAddress(storesAddress.bins, {});
  const { timeZone } = useWorkshop();
  const { role } = usePerson();
  const [editing, setEditing] = useState<BinRow | 'new' | null>(null);
  const mayChange = hasRole(role, storesAddress.changeBin.may);
  return (
    <>
      <Panel
        title="Bins"
        aside={
          <span className="row">
            {(data ?? []).some(({ closed }) => !closed) && (
              <Button size="small" icon={<QrcodeOutlined />} href={fileUrl(storesAddress.binLabels, {})}>
                Labels
              </Button>
            )}
            {hasRole(role, storesAddress.addBin.may) && (
              <Button size="small" icon={<PlusOutlined />} onClick={() => setEditing('new')}>
                Set one up
              </Button>
            )}
          </span>
        }
      >
        <div className="in stack">
          {editing && (
            <BinForm
              key={editing === 'new' ? 'new' : editing.id}
              bin={editing === 'new' ? null : ((data ?? []).find(({ id }) => id === editing.id) ?? editing)}
              done={() => setEditing(null)}
            />
          )}
          <DataTable
            label="Bins"
            rows={data ?? []}
            rowKey={({ id }) => id}
            empty="None yet: the first delivery makes a shelf."
            columns={({ words, figures }) => [
              words('Bin', (bin) =>
                mayChange ? (
                  <button type="button" className="link-like" onClick={() => setEditing(bin)}>
                    {bin.name}
                  </button>
                ) : (
                  bin.name
                ),
              ),
              figures('Parts', (bin) => (bin.closed ? <span className="soft">given up</span> : bin.items)),
              words('Counted', (bin) =>
                bin.countedAt ? (
                  `${dayAndTime(bin.countedAt, timeZone)}, ${bin.countedBy}`
                ) : (
                  <span className="wait">never</span>
                ),
              ),
            ]}
          />
        </div>
      </Panel>
      <Counts />
    </>
  );
}

function BinForm({ bin, done }: { bin: BinRow | null; done: () => void }) {
  const [name, setName] = useState(bin?.name ?? '');
  const [closed, setClosed] = useState(bin?.closed ?? false);
  const adding = useChecked(storesAddress.addBin, {}, { name, closed });
  const changing = useChecked(
    storesAddress.changeBin,
    { id: bin?.id ?? '' },
    { name, closed, version: bin?.version ?? 1 },
  );
  const form = bin ? changing : adding;
  return (
    <EntryForm
      small
      save={bin ? 'Keep it so' : 'Set it up'}
      busy={form.busy}
      refusal={form.refusal ?? form.faults.closed ?? null}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <TextField label="Name of the bin" value={name} onChange={setName} fault={form.faults.name} />
      {bin && (
        <Checkbox checked={closed} onChange={({ target }) => setClosed(target.checked)}>
          Given up
        </Checkbox>
      )}
    </EntryForm>
  );
}

function Counts() {
  const { data } = useOfAddress(storesAddress.stocktakes, {});
  const { timeZone } = useWorkshop();
  const set = useUnitSet();
  if (!data || data.length === 0) return null;
  return (
    <Panel title="What counts found" aside="the newest first">
      <div className="in">
        <DataTable
          label="What counts found"
          rows={data}
          rowKey={({ id }) => id}
          columns={({ words, figures }) => [
            words('Bin', (count) => (
              <>
                {count.bin}
                <div className="soft small">{`${dayAndTime(count.at, timeZone)}, ${count.by}`}</div>
              </>
            )),
            words('Differs', (count) =>
              count.differences.length === 0 ? (
                <span className="pass">{`all ${count.lines} as in the books`}</span>
              ) : (
                count.differences.map((one) => (
                  <div key={one.componentId}>
                    <span className={one.counted < one.expected ? 'stop' : ''}>
                      {`${one.counted > one.expected ? '+' : '−'}${stockText(Math.abs(one.counted - one.expected), one.unitSize)}`}
                    </span>{' '}
                    {one.name}
                  </div>
                ))
              ),
            ),
            figures('Worth', (count) => {
              const cents = count.differences.reduce((sum, one) => sum + one.worthCents, 0);
              return cents === 0 ? '' : formatQuantity(cents, 'money', set);
            }),
          ]}
        />
      </div>
    </Panel>
  );
}
