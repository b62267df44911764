import { FIGURES } from '../../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { useOpenJob } from '../../openJob.ts';

/** A hint where an axle carries over a tenth more or less than before. */
export function RideHeight() {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const front = sheet.get(FIGURES.frontAxleChange).value;
  const rear = sheet.get(FIGURES.rearAxleChange).value;
  const said = [
    ['front', front],
    ['rear', rear],
  ].flatMap(([name, change]) =>
    typeof change === 'number' && Math.abs(change) > 0.1
      ? [
          `The ${name} axle carries ${formatQuantity(Math.abs(change), 'share', set, { digits: 0 })} ${change > 0 ? 'more' : 'less'} than before: it will sit ${change > 0 ? 'lower' : 'higher'}. Look at springs and ride height.`,
        ]
      : [],
  );
  return said.length > 0 ? <p className="wait small">{said.join(' ')}</p> : null;
}
