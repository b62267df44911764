import { HistoryOutlined } from '@ant-design/icons';
import { Button, Drawer } from 'antd';
import { useState } from 'react';
import { jobsAddress } from '../../../contract/job.ts';
import { History } from '../../widgets/History.tsx';

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
          <History of={jobsAddress.events} table={jobsAddress.eventTable} params={{ number }} />
        </Drawer>
      )}
    </>
  );
}
