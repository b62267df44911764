import { useMemo } from 'react';
import { assumptionsOf } from '../../../../../core/design/assumptions.ts';
import { drivelineWorst } from '../../../../../core/figures/drive/drivelineWorst.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { assumptionText } from '../../../../../wording/assumptions.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { useOpenJob } from '../../openJob.ts';

/** What cannot work, what would break, and what was assumed, over every look of the design. */
export function AssumptionNotes() {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const notes = useMemo(() => assumptionsOf(sheet).map((found) => assumptionText(found, set)), [sheet, set]);
  const worst = sheet.get(drivelineWorst).value?.[0];
  const cost = sheet.get(FIGURES.capCost).value;
  const grave = notes.filter((note) => note.grave);
  const mild = notes.filter((note) => !note.grave);
  return (
    <>
      {worst && worst.margin < 1 && (
        <div className="note stop">
          Full torque{worst.mode ? ` in ${worst.mode}` : ''} breaks the {worst.part}:{' '}
          {formatQuantity(worst.torqueNm, 'torque', set)} on a limit of {formatQuantity(worst.limitNm, 'torque', set)}.
          A cap at {formatQuantity(worst.capNm, 'torque', set)} at the motor protects it
          {cost !== null && `, and costs ${formatQuantity(cost, 'duration', set)} to 50 km/h`}.
        </div>
      )}
      {grave.length > 0 && (
        <div className="note stop" data-notes="grave">
          {grave.map((note) => (
            <p key={note.text}>{note.text}</p>
          ))}
        </div>
      )}
      {mild.length > 0 && (
        <div className="note wait" data-notes="assumed">
          {mild.map((note) => (
            <p key={note.text}>{note.text}</p>
          ))}
        </div>
      )}
    </>
  );
}
