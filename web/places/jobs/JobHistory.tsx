import { HistoryOutlined } from '@ant-design/icons';
import { Button, Drawer } from 'antd';
import { useState } from 'react';
import { jobsAddress } from '../../../contract/job.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';

/** Who did what to this job and when, the newest first. */
export function JobHistory({ number }: { number: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button
        size="small"
        type="text"
        title="History: what was done, by whom"
        aria-label="History"
        icon={<HistoryOutlined />}
        onClick={() => setOpen(true)}
      />
      {open && (
        <Drawer open title={`What was done to ${number}`} onClose={() => setOpen(false)} size={560}>
          <Entries number={number} />
        </Drawer>
      )}
    </>
  );
}

function Entries({ number }: { number: string }) {
  const workshop = useWorkshop();
  const { data, error } = useOfAddress(jobsAddress.events, { number });
  if (error) return <p className="stop">{error.message}</p>;
  if (!data) return <p className="soft">One moment …</p>;
  return (
    <DataTable
      label="What was done"
      rows={data}
      rowKey={(entry) => String(entry.id)}
      empty="Nothing was done to it yet."
      columns={({ words }) => [
        words('When', (entry) => dayAndTime(entry.at, workshop.timeZone), { width: 120 }),
        words('Who', (entry) => entry.by, { width: 120 }),
        words('What', (entry) => entry.what),
      ]}
    />
  );
}
