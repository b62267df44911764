import { DownOutlined } from '@ant-design/icons';
import { App, Button, Dropdown, Upload } from 'antd';
import { useState } from 'react';
import { type DesignFile, designAddress } from '../../../../../contract/design.ts';
import { fileUrl } from '../../../../data/client.ts';
import { useMay } from '../../../../data/useMay.ts';
import { useSend } from '../../../../widgets/useSend.ts';
import { useOpenJob } from '../../openJob.ts';
import { DesignHistory } from './DesignHistory.tsx';

/** Paper, files and history of the design looked at. */
export function DesignPapers({ dirty }: { dirty: boolean }) {
  const { job, stored, pickDesign } = useOpenJob('job', 'stored', 'pickDesign');
  const may = useMay(job, 'design');
  const sending = useSend(true);
  const { message } = App.useApp();
  const [history, setHistory] = useState(false);
  const take = async (file: File) => {
    let content: unknown;
    try {
      content = JSON.parse(await file.text());
    } catch {
      void message.error('This is not a design file: it cannot be read as JSON.', 6);
      return;
    }
    // Whether it is one, the contract's schema says on the server, with a sentence for each field.
    const made = await sending.go(designAddress.takeIn, { number: job.number }, content as DesignFile);
    if (made) pickDesign(made.id);
  };
  const takeIn = (
    <Upload
      accept=".json,application/json"
      showUploadList={false}
      beforeUpload={(file) => {
        void take(file);
        return false;
      }}
    >
      Take in a design file
    </Upload>
  );
  const unsaved = dirty ? ' (as saved)' : '';
  const items = [
    ...(stored
      ? [
          { key: 'pdf', label: `Print the sheet${unsaved}` },
          { key: 'file', label: `Save as a file${unsaved}` },
        ]
      : []),
    ...(may ? [{ key: 'import', label: takeIn }] : []),
    ...(stored ? [{ key: 'history', label: 'What was changed, and when' }] : []),
  ];
  const faults = sending.problem?.fields ? Object.values(sending.problem.fields) : [];
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          items,
          onClick: ({ key }) => {
            if (key === 'history') setHistory(true);
            else if (key !== 'import' && stored)
              window.location.assign(
                fileUrl(key === 'pdf' ? designAddress.paper : designAddress.file, { id: stored.id }),
              );
          },
        }}
      >
        <Button icon={<DownOutlined />} iconPlacement="end">
          Papers
        </Button>
      </Dropdown>
      {sending.problem && (
        <div className="fault" role="alert">
          The file was not taken: {faults.length > 0 ? faults.slice(0, 3).join(' ') : sending.problem.detail}
        </div>
      )}
      {history && stored && <DesignHistory onClose={() => setHistory(false)} />}
    </>
  );
}
