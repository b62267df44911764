import { PauseCircleOutlined, PlayCircleOutlined } from '@ant-design/icons';
import { Button, Dropdown } from 'antd';
import type { JobSheet } from '../../../../contract/job.ts';
import { REWORK_CAUSES, type StageRow, stageAddress, WAITING_CAUSES } from '../../../../contract/stages.ts';
import type { EntryKind } from '../../../../core/stage/stageRules.ts';
import { REWORK_NAME, WAITING_NAME } from '../../../../wording/work.ts';
import { usePerson } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { useSend } from '../../../widgets/useSend.ts';

/** Clock on for work, rework or waiting (with its cause), clock off. */
export function ClockButtons({ stage, job }: { stage: StageRow; job: Pick<JobSheet, 'state'> }) {
  const person = usePerson();
  const sending = useSend(false, { typed: false });
  const may = useMay(job, 'clockOn');
  const mine = stage.onIt.find((entry) => entry.personId === person.id);
  const on = (kind: EntryKind, cause: string | null) =>
    void sending.go(stageAddress.clockOn, { id: stage.id }, { kind, cause });
  if (mine) {
    return (
      <Button
        icon={<PauseCircleOutlined />}
        type="primary"
        data-clock="off"
        loading={sending.busy}
        onClick={() => void sending.go(stageAddress.clockOff, {})}
      >
        Clock off
      </Button>
    );
  }
  if (!may) return null;
  return (
    <>
      {stage.state !== 'done' && (
        <Button
          icon={<PlayCircleOutlined />}
          type="primary"
          data-clock="on"
          loading={sending.busy}
          onClick={() => on('work', null)}
        >
          Clock on
        </Button>
      )}
      {stage.state !== 'done' && (
        <Dropdown
          trigger={['click']}
          menu={{
            items: WAITING_CAUSES.map((cause) => ({ key: cause, label: WAITING_NAME[cause] })),
            onClick: ({ key }) => on('waiting', key),
          }}
        >
          <Button>Waiting …</Button>
        </Dropdown>
      )}
      <Dropdown
        trigger={['click']}
        menu={{
          items: REWORK_CAUSES.map((cause) => ({ key: cause, label: REWORK_NAME[cause] })),
          onClick: ({ key }) => on('rework', key),
        }}
      >
        <Button>Rework …</Button>
      </Dropdown>
    </>
  );
}
