import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { WeightDrawing } from '../layout/WeightDrawing.tsx';
import { BrakesPanel } from './BrakesPanel.tsx';
import { HoldingPanel } from './HoldingPanel.tsx';
import { ItemsSheet } from './ItemsSheet.tsx';
import { MassTable } from './MassTable.tsx';
import { MovesSheet } from './MovesSheet.tsx';
import { RideHeight } from './RideHeight.tsx';
import { TippingPanel } from './TippingPanel.tsx';

/** Where every kilogram sits, what that does to the axles, and which modules to move to meet the aim. */
export default function BalanceLook() {
  return (
    <>
      <WeightDrawing />
      <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1fr)' }}>
        <div className="stack">
          <MovesSheet />
          <ItemsSheet />
          <HoldingPanel />
        </div>
        <div className="stack">
          <FigureGroupSheet group="weight">
            <RideHeight />
          </FigureGroupSheet>
          <BrakesPanel />
          <TippingPanel />
        </div>
      </div>
      <MassTable />
    </>
  );
}
