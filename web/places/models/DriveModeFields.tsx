import type { DriveMode } from '../../../core/vehicle/variant.ts';
import { type RowField, RowsEditor } from '../../widgets/RowsEditor.tsx';
import { type EditorPart, faultsBelow } from './editorPart.ts';

const MODE: readonly RowField<DriveMode>[] = [
  { key: 'name', label: 'Name of the mode', type: 'text' },
  { key: 'frontShare', label: 'Most to the front axle', type: 'share' },
  { key: 'rearShare', label: 'Most to the rear axle', type: 'share' },
];

/** Ways to drive that the vehicle has: none named means one, by its driven axle. */
export function DriveModeFields({ variant, set, faults }: EditorPart) {
  const modes = variant.driveModes ?? [];
  const fresh = () => {
    for (let n = modes.length + 1; ; n++) if (!modes.some(({ key }) => key === `mode-${n}`)) return `mode-${n}`;
  };
  return (
    <>
      <h3>Ways to drive</h3>
      <RowsEditor
        what="way to drive"
        rows={modes}
        fields={MODE}
        start={() => ({ key: fresh(), name: 'all wheels', frontShare: 0.5, rearShare: 0.5 })}
        onChange={(driveModes) => set({ driveModes })}
        faults={faultsBelow(faults, 'driveModes')}
      />
      <p className="soft small">A locked case may give all of it to the axle that grips: 100 % and 100 %.</p>
    </>
  );
}
