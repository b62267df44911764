import { ItemsSheet } from '../balance/ItemsSheet.tsx';
import { MassTable } from '../balance/MassTable.tsx';
import { MovesSheet } from '../balance/MovesSheet.tsx';
import { RideHeight } from '../balance/RideHeight.tsx';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { WeightDrawing } from '../WeightDrawing.tsx';

/** Where every kilogram sits, what that does to the axles, and which modules to move to meet the aim. */
export default function BalanceLook() {
  return (
    <>
      <WeightDrawing />
      <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1fr)' }}>
        <div className="stack">
          <MovesSheet />
          <ItemsSheet />
        </div>
        <FigureGroupSheet group="weight">
          <RideHeight />
        </FigureGroupSheet>
      </div>
      <MassTable />
    </>
  );
}
