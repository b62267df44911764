import { converterChoice } from '../../../../../core/figures/electric/lowVoltage.ts';
import { useOpenJob } from '../../openJob.ts';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { ToFit } from './ToFit.tsx';

/** What the low-voltage side draws by mode, how long its battery lasts, and the DC-DC that covers it. */
export function LvFigures() {
  const { sheet } = useOpenJob('sheet');
  const chosen = sheet.slots.electric.converter;
  return (
    <FigureGroupSheet group="lowVoltage">
      <ToFit what="DC-DC to fit" part={sheet.get(converterChoice).value} />
      <p className="soft small">{chosen ? `Among the parts: ${chosen.name}.` : 'No DC-DC among the parts yet.'}</p>
    </FigureGroupSheet>
  );
}
