import { DownloadOutlined, SaveOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import useSWR from 'swr';
import { pathOf } from '../../../contract/address.ts';
import { type BackupRow, type BackupsNow, backupAddress } from '../../../contract/backups.ts';
import { KEEP_DAYS, KEEP_MONTHS, KEEP_WEEKS } from '../../../core/practice/keeping.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { ask, fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';
import { useSend } from '../../widgets/useSend.ts';

const KIND: Record<BackupRow['kind'], string> = {
  daily: 'daily',
  asked: 'asked for',
  trial: 'trial: restored, looked over',
};
const RUNNING_MS = 2000;
const QUIET_MS = 60_000;
const SHOWN = 12;

const markOf = (run: BackupRow): Mark => (run.fault ? 'stop' : run.endedAt ? 'pass' : 'half');
const mb = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;

/** What a manager looks at to sleep well: the last backups, whether one was tried, and a button for one more. */
export function Backups() {
  const { timeZone } = useWorkshop();
  const sending = useSend(false, { typed: false });
  const { data, mutate } = useSWR<BackupsNow, Error>(pathOf(backupAddress.now, {}), ask, {
    refreshInterval: (now) => (now?.runs.some((run) => !run.endedAt) ? RUNNING_MS : QUIET_MS),
  });
  const { data: running } = useOfAddress(backupAddress.running, {});
  if (!data) return null;
  const last = data.runs.find(({ kind, endedAt, fault, gone }) => kind !== 'trial' && endedAt && !fault && !gone);
  const trial = data.runs.find(({ kind, endedAt }) => kind === 'trial' && endedAt);
  const make = async () => {
    if (await sending.go(backupAddress.make, {})) await mutate();
  };
  return (
    <Panel title="Backups" aside={last ? `the last of ${dayAndTime(last.startedAt, timeZone)}` : 'none yet'}>
      <div className="in stack">
        <p className={last ? undefined : 'wait'}>
          {!last && 'There is no whole backup yet. '}
          {trial
            ? trial.fault
              ? `The last trial failed: ${trial.fault}`
              : `The backup ${trial.file} was restored on trial and found whole on ${dayAndTime(trial.startedAt, timeZone)}.`
            : last && 'None has been tried yet.'}
        </p>
        <div className="row">
          <Button icon={<SaveOutlined />} loading={sending.busy} onClick={() => void make()}>
            Make a backup now
          </Button>
          <span className="soft small">
            {data.daily
              ? `Daily by itself into ${data.folder}; kept: ${KEEP_DAYS} days, then one a week for ${KEEP_WEEKS} weeks, one a month for ${KEEP_MONTHS} months. One is restored on trial each week.`
              : `Into ${data.folder}; none by itself here.`}{' '}
            Keep a copy on another machine: it holds everything.
          </span>
        </div>
        <DataTable
          label="Backups"
          rows={data.runs.slice(0, SHOWN)}
          rowKey={({ id }) => id}
          empty="None has been made yet."
          columns={({ words, figures, actions }) => [
            words('When', (run) => (
              <span className="row" style={{ flexWrap: 'nowrap' }}>
                <StateMark mark={markOf(run)} /> {dayAndTime(run.startedAt, timeZone)}
              </span>
            )),
            words('What', (run) => KIND[run.kind]),
            words('File', (run) => (
              <>
                {run.file}
                {run.fault && <div className="stop small">{run.fault}</div>}
                {!run.endedAt && <div className="soft small">under way</div>}
                {run.gone && <div className="soft small">thrown away since</div>}
              </>
            )),
            figures('Size', (run) => (run.bytes === null ? '' : mb(run.bytes))),
            actions(
              'Fetch',
              (run) =>
                run.kind !== 'trial' &&
                run.endedAt &&
                !run.fault &&
                !run.gone && (
                  <Button
                    size="small"
                    icon={<DownloadOutlined />}
                    href={fileUrl(backupAddress.file, { run: run.id })}
                    aria-label={`Fetch ${run.file}`}
                  >
                    Fetch
                  </Button>
                ),
            ),
          ]}
        />
        {running && (
          <p className="soft small" data-version>
            Dajo {running.dajo} on Node {running.node}, PostgreSQL {running.postgres}, database step {running.steps},
            running since {dayAndTime(running.startedAt, timeZone)}.
          </p>
        )}
      </div>
    </Panel>
  );
}
