import { Input } from 'antd';
import { useId, useMemo, useState } from 'react';
import { sheetCurve } from '../../../../../core/drive/motorCurve.ts';
import { readCurve } from '../../../../../core/drive/readCurve.ts';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Labelled } from '../../../../widgets/Labelled.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';
import { DynoUpload } from './DynoUpload.tsx';

/** Torque–speed curve as lines of text: speed, peak, continuous. What cannot be read is said and kept. */
export function CurveField({ fault }: { fault: string | undefined }) {
  const { sheet } = useOpenJob('sheet');
  const { drive, setDrive } = useDesign();
  const unit = sheet.slots.drive.unit!;
  const stored = useMemo(
    () =>
      (drive.curve ?? unit.sheet.curve ?? sheetCurve(unit.sheet))
        .map((p) => `${p.rpm} ${Math.round(p.peakNm)} ${Math.round(p.continuousNm)}`)
        .join('\n'),
    [drive.curve, unit],
  );
  const id = useId();
  const [text, setText] = useState<string | null>(null);
  const typed = readCurve(text ?? stored);
  return (
    <Fold
      title={
        <>
          Torque curve{' '}
          {drive.curve ? 'as typed here' : unit.sheet.curve ? 'of the sheet' : 'from peak torque and power'}
        </>
      }
    >
      <Labelled label="One line a point: rpm, peak N·m, continuous N·m" id={id}>
        <Input.TextArea
          id={id}
          rows={8}
          value={text ?? stored}
          onChange={(event) => {
            setText(event.target.value);
            const read = readCurve(event.target.value);
            if (read.points.length >= 2 && read.badLines.length === 0) setDrive({ curve: read.points });
          }}
        />
      </Labelled>
      {text !== null && typed.badLines.length > 0 && (
        <div className="fault">
          Line {typed.badLines.join(', ')} cannot be read: write three numbers, such as 3000 180 90. The last good curve
          is kept until then.
        </div>
      )}
      <DynoUpload done={() => setText(null)} />
      {fault && <div className="fault">{fault}</div>}
      {drive.curve && (
        <button
          type="button"
          className="link"
          onClick={() => {
            setText(null);
            setDrive({ curve: null });
          }}
        >
          Back to the sheet
        </button>
      )}
    </Fold>
  );
}
