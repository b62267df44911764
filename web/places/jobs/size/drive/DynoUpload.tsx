import { UploadOutlined } from '@ant-design/icons';
import { Button, Switch, Upload } from 'antd';
import { useState } from 'react';
import { gearing } from '../../../../../core/figures/drive/gearing.ts';
import { motorNow } from '../../../../../core/figures/drive/motorNow.ts';
import { dynoCurve } from '../../../../../core/logs/dyno.ts';
import { readLog } from '../../../../../core/logs/readLog.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { LOG_PROBLEM } from '../../../../../wording/logs.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';
import { DynoChart, type Laid } from './DynoChart.tsx';

/** A dynamometer's sheet as the torque curve of this design, with how it compares with what was computed. */
export function DynoUpload({ done }: { done: () => void }) {
  const { sheet } = useOpenJob('sheet');
  const { setDrive } = useDesign();
  const set = useUnitSet();
  const [atWheels, setAtWheels] = useState(true);
  const [laid, setLaid] = useState<Laid | null>(null);
  const [said, setSaid] = useState<{ text: string; fault: boolean } | null>(null);
  const take = async (file: File) => {
    const log = readLog(await file.text());
    if (typeof log === 'string') {
      setSaid({ text: LOG_PROBLEM[log], fault: true });
      return;
    }
    const between = atWheels ? (sheet.get(gearing).value?.efficiency ?? 1) : 1;
    const curve = dynoCurve(log, between, sheet.get(motorNow).value);
    if (typeof curve === 'string') {
      setSaid({ text: LOG_PROBLEM[curve], fault: true });
      return;
    }
    setLaid({ measured: curve.points, computed: sheet.get(motorNow).value?.peak ?? null });
    setDrive({ curve: curve.points });
    done();
    const { against } = curve;
    const how =
      against === null
        ? ''
        : `, on the mean ${formatQuantity(Math.abs(against), 'share', set)} ${against < 0 ? 'under' : 'over'} what was computed`;
    setSaid({ text: `${curve.points.length} points of ${file.name}${how}.`, fault: false });
  };
  return (
    <div className="row" style={{ flexWrap: 'wrap' }}>
      <Upload
        accept=".csv,.txt"
        showUploadList={false}
        beforeUpload={(file) => {
          void take(file);
          return false;
        }}
      >
        <Button size="small" icon={<UploadOutlined />}>
          Read a dynamometer's sheet
        </Button>
      </Upload>
      <span className="row small">
        <Switch size="small" aria-label="Measured at the wheels" checked={atWheels} onChange={setAtWheels} />
        measured at the wheels, by motor revolutions
      </span>
      {said && <p className={said.fault ? 'stop small' : 'soft small'}>{said.text}</p>}
      {laid && (
        <div style={{ flexBasis: '100%' }}>
          <DynoChart {...laid} />
        </div>
      )}
    </div>
  );
}
