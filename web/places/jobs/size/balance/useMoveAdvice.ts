import { useMemo } from 'react';
import { adviseMoves, type MoveAdvice, type MoveAim } from '../../../../../core/balance/adviseMoves.ts';
import { placeBox } from '../../../../../core/design/placeBox.ts';
import { massItems } from '../../../../../core/figures/balance/massItems.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { useOpenJob } from '../../openJob.ts';

export interface Advised {
  readonly aim: MoveAim;
  readonly school: 'equal' | 'original';
  readonly advice: readonly MoveAdvice[];
}

/**
 * The aim of the brief (as the maker had it ± 2 %, where it says nothing), or of another school somebody wants to look
 * at, and which modules to move to meet it.
 */
export function useMoveAdvice(lookAt: 'equal' | 'original' | null): Advised | null {
  const { job, sheet, inputs, vehicle, shelves } = useOpenJob('job', 'sheet', 'inputs', 'vehicle', 'shelves');
  const line = job.brief.find((candidate) => candidate.kind === 'axleShare');
  const items = sheet.get(massItems).value;
  const before = sheet.get(FIGURES.frontShareBefore).value;
  return useMemo(() => {
    if (!items || before === null) return null;
    const school = lookAt ?? line?.school ?? 'original';
    const aim = { share: school === 'equal' ? 0.5 : before, tolerance: line?.tolerance ?? 0.02 };
    const rest = items.filter((item) => !item.box);
    const bays = vehicle.variant.bays.map((bay) => {
      const choice = inputs.boxes.find((box) => box.bay === bay.key) ?? { bay: bay.key, modules: 0, shiftMm: 0 };
      const placed = (modules: number) => placeBox(inputs, shelves.components, bay, { ...choice, modules });
      return {
        key: bay.key,
        modules: choice.modules,
        most: placed(1).most,
        maxMassKg: bay.maxMassKg,
        massKg: (modules: number) => (modules === 0 ? 0 : placed(modules).massKg),
        xMm: bay.xMm + choice.shiftMm,
      };
    });
    const advice = adviseMoves(
      bays,
      {
        massKg: rest.reduce((sum, item) => sum + item.massKg, 0),
        momentKgMm: rest.reduce((sum, item) => sum + item.massKg * item.xMm, 0),
        wheelbaseMm: vehicle.figures.wheelbase.value,
      },
      aim,
    );
    return { aim, school, advice };
  }, [items, before, line, lookAt, inputs, vehicle, shelves]);
}
