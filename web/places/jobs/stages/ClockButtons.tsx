import { CoffeeOutlined, PauseCircleOutlined, PlayCircleOutlined } from '@ant-design/icons';
import { Button, Dropdown } from 'antd';
import { hoursAddress } from '../../../../contract/hours.ts';
import type { JobSheet } from '../../../../contract/job.ts';
import type { StageRow } from '../../../../contract/stages.ts';
import { REWORK_CAUSES, WAITING_CAUSES } from '../../../../core/hours/entry.ts';
import type { EntryKind } from '../../../../core/stage/stageRules.ts';
import { ENTRY_NAME, entryText, REWORK_NAME, WAITING_NAME } from '../../../../wording/work.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { usePerson } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { useAct } from '../../../widgets/useAct.ts';

interface Choice {
  readonly key: string;
  readonly label: string;
  readonly kind: EntryKind;
  readonly cause: string | null;
}
const choiceOf = (kind: EntryKind, cause: string | null, label: string): Choice => ({
  ...{ key: `${kind} ${cause ?? ''}`, label, kind, cause },
});
const REWORK = REWORK_CAUSES.map((cause) => choiceOf('rework', cause, REWORK_NAME[cause]));
const WAITING = WAITING_CAUSES.map((cause) => choiceOf('waiting', cause, WAITING_NAME[cause]));
const PLAIN: readonly Choice[] = [choiceOf('work', null, 'Work'), choiceOf('learning', null, 'Learning')];

/** Clock on for work, rework, waiting or learning, change to another kind, go on a break, clock off. */
export function ClockButtons({ stage, job }: { stage: StageRow; job: Pick<JobSheet, 'state' | 'number'> }) {
  const person = usePerson();
  const { busy, act } = useAct();
  const may = useMay(job, 'clockOn');
  const { data: clock } = useOfAddress(hoursAddress.mine, {});
  const mine = stage.onIt.find((entry) => entry.personId === person.id);
  // Wherever else they are, as far as anybody has been told: clocking on here leaves it.
  const elsewhere = !mine && clock?.open && clock.open.stageId !== stage.id ? clock.open : null;
  const on = ({ kind, cause }: Choice) =>
    void act(
      {
        act: 'clockOn',
        stageId: stage.id,
        number: job.number,
        kind,
        cause,
        leave: mine !== undefined || elsewhere !== null,
      },
      `clock on, ${job.number} ${stage.name}${kind === 'work' ? '' : ` (${entryText(kind, cause).toLowerCase()})`}`,
    );
  const off = (pause: boolean) =>
    void act({ act: 'clockOff', pause }, `${pause ? 'break' : 'clock off'}, ${job.number} ${stage.name}`);
  const menu = (choices: readonly Choice[]) => ({
    items: choices.map(({ key, label }) => ({ key, label })),
    onClick: ({ key }: { key: string }) => on(choices.find((one) => one.key === key)!),
  });
  const done = stage.state === 'done';
  if (mine) {
    const others = [...(done ? [] : PLAIN), ...REWORK, ...(done ? [] : WAITING)].filter(
      ({ kind }) => kind !== mine.kind || kind === 'rework' || kind === 'waiting',
    );
    const named = others.map((one) => ({
      ...one,
      label: one.cause ? `${ENTRY_NAME[one.kind]}: ${one.label.toLowerCase()}` : one.label,
    }));
    return (
      <>
        <Button
          icon={<PauseCircleOutlined />}
          type="primary"
          data-clock="off"
          loading={busy}
          disabled={busy}
          onClick={() => off(false)}
        >
          Clock off
        </Button>
        <Button icon={<CoffeeOutlined />} loading={busy} disabled={busy} onClick={() => off(true)}>
          Break
        </Button>
        {may && (
          <Dropdown trigger={['click']} menu={menu(named)}>
            <Button>Change to …</Button>
          </Dropdown>
        )}
      </>
    );
  }
  if (!may) return null;
  const goesOn = clock?.paused?.stageId === stage.id;
  return (
    <>
      {!done && (
        <Button
          icon={<PlayCircleOutlined />}
          type="primary"
          data-clock="on"
          loading={busy}
          disabled={busy}
          onClick={() => on(PLAIN[0]!)}
          title={elsewhere ? `Leaves “${elsewhere.stage}” of ${elsewhere.jobNumber}` : undefined}
        >
          {elsewhere ? 'Change to this' : goesOn ? 'Go on' : 'Clock on'}
        </Button>
      )}
      {!done && (
        <Dropdown trigger={['click']} menu={menu([PLAIN[1]!, ...WAITING])}>
          <Button>Waiting …</Button>
        </Dropdown>
      )}
      <Dropdown trigger={['click']} menu={menu(REWORK)}>
        <Button>Rework …</Button>
      </Dropdown>
    </>
  );
}
