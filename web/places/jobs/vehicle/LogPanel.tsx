import { Upload } from 'antd';
import { useState } from 'react';
import { type Log, readLog } from '../../../../core/logs/readLog.ts';
import { LOG_PROBLEM, logNoteText } from '../../../../wording/logs.ts';
import { useMay } from '../../../data/useMay.ts';
import { Panel } from '../../../widgets/Panel.tsx';
import { useOpenJob } from '../openJob.ts';
import { CoastDownResult } from './CoastDownResult.tsx';
import { KeptFindings } from './KeptFindings.tsx';
import { RoadLogResult } from './RoadLogResult.tsx';

/** Larger files are refused before they are read, bytes. */
const BIGGEST = 20_000_000;

/** Logs of the vehicle: a coast-down becomes measured rolling and drag, a road log is held against what was predicted. */
export function LogPanel() {
  const { job } = useOpenJob('job');
  const may = useMay(job, 'measure');
  const [log, setLog] = useState<{ name: string; log: Log } | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const take = async (file: File) => {
    setFault(null);
    setLog(null);
    if (file.size > BIGGEST) {
      setFault('This file is too big: 20 MB at most.');
      return;
    }
    const read = readLog(await file.text());
    if (typeof read === 'string') setFault(LOG_PROBLEM[read]);
    else setLog({ name: file.name, log: read });
  };
  if (!may)
    return job.vehicle.findings.length === 0 ? null : (
      <Panel title="From logs">
        <div className="in">
          <KeptFindings />
        </div>
      </Panel>
    );
  return (
    <Panel title="From a log" aside={log ? `${log.name}, ${log.log.rows} lines` : 'coast-down or road log, as CSV'}>
      <div className="in stack">
        <Upload.Dragger
          accept=".csv,.txt"
          showUploadList={false}
          beforeUpload={(file) => {
            void take(file);
            return false;
          }}
          aria-label="Log as CSV"
        >
          Drop a coast-down (s, km/h) or a road log (s, V, A, km/h) here, or press to choose it
        </Upload.Dragger>
        {fault && <p className="stop">{fault}</p>}
        {log && (
          <>
            {log.log.notes.length > 0 && (
              <p className="soft small">
                {log.log.notes.map(({ code, count }) => logNoteText(code, count)).join('; ')}.
              </p>
            )}
            {log.log.columns.volts ? (
              <RoadLogResult key={log.name} log={log.log} name={log.name} />
            ) : (
              <CoastDownResult key={log.name} log={log.log} name={log.name} />
            )}
          </>
        )}
        <KeptFindings />
        <p className="soft small">
          Coast down in neutral on a level road without wind, both ways one after the other, with nobody near; local
          rules on road tests come first.
        </p>
      </div>
    </Panel>
  );
}
