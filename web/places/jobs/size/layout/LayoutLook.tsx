import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { CompletePanel } from './CompletePanel.tsx';
import { DesignInputsPanel } from './DesignInputsPanel.tsx';
import { FindLayout } from './FindLayout.tsx';
import { WeightDrawing } from './WeightDrawing.tsx';

/** Where everything goes: drawing, boxes, main components, and the figures of pack and weight. */
export default function LayoutLook({ faults }: { faults: Readonly<Record<string, string>> }) {
  return (
    <>
      <WeightDrawing />
      <FindLayout />
      <CompletePanel />
      <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1.25fr) minmax(0, 1fr)' }}>
        <DesignInputsPanel faults={faults} />
        <div className="stack">
          <FigureGroupSheet group="pack" />
          <FigureGroupSheet group="weight" />
          <FigureGroupSheet group="price" />
        </div>
      </div>
    </>
  );
}
