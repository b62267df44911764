import type { ReactNode } from 'react';
import { FIGURE_GROUP_NAME, type FigureGroup } from '../../../../core/figures/groups.ts';
import { FIGURES } from '../../../../core/figures/index.ts';
import { FIGURE_GROUPS } from '../../../../core/figures/names.ts';
import { FigureRow } from '../../../widgets/FigureValue.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { useOpenJob } from '../openJob.ts';

/** Reasons that make a figure beside the point for this design, not a gap in it. */
const BESIDE = new Set([
  'noGearbox',
  'noRoute',
  'noRound',
  'noDcPost',
  'noDcInlet',
  'noCradle',
  'noHolding',
  'mountsInLine',
]);

/** One group of figures, each with its working; those that do not concern this design are left out. */
export function FigureGroupSheet({
  group,
  aside,
  children,
}: {
  group: FigureGroup;
  aside?: ReactNode;
  children?: ReactNode;
}) {
  const { sheet } = useOpenJob('sheet');
  const ids = FIGURE_GROUPS[group].filter((id) => {
    const { reason, value } = sheet.get(FIGURES[id]);
    return (
      !(reason && BESIDE.has(reason)) && !(id === 'packIdle' && (value ?? 0) < 1) && !(id === 'capCost' && value === 0)
    );
  });
  return (
    <Panel title={FIGURE_GROUP_NAME[group]} aside={aside}>
      <div className="in">
        {ids.map((id) => (
          <FigureRow key={id} id={id} sheet={sheet} />
        ))}
        {children}
      </div>
    </Panel>
  );
}
