import type { ComponentKind } from '../../../../../core/component/sheets.ts';
import { SafetyNote } from '../../../../widgets/SafetyNote.tsx';
import { BeyondHand } from '../../BeyondHand.tsx';
import { CablePanel, FusePanel } from './CablePanel.tsx';
import { LvFigures } from './LvFigures.tsx';
import { LvPanel } from './LvPanel.tsx';
import { PrechargePanel } from './PrechargePanel.tsx';

/** Kinds of which the figures choose by size. */
const SIZED: readonly ComponentKind[] = ['cable', 'fuse', 'resistor', 'dcdc'];

/** Precharge, cable, fuses and the low-voltage side: each names the component to fit. */
export default function ElectricsLook({ faults }: { faults: Readonly<Record<string, string>> }) {
  return (
    <>
      <div className="two">
        <div className="stack">
          <PrechargePanel faults={faults} />
          <LvFigures />
        </div>
        <div className="stack">
          <CablePanel faults={faults} />
          <FusePanel />
        </div>
      </div>
      <LvPanel />
      <BeyondHand kinds={SIZED} />
      <SafetyNote about="live" />
      <SafetyNote about="approval" />
    </>
  );
}
