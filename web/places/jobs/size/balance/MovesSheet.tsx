import { Button, Segmented } from 'antd';
import { useState } from 'react';
import type { MoveAdvice } from '../../../../../core/balance/adviseMoves.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { SCHOOL_NAME } from '../../../../../wording/brief.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useBayName } from '../../bayName.ts';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';
import { afterMoves, moveText } from './moveText.ts';
import { useMoveAdvice } from './useMoveAdvice.ts';

/** Which modules to move where to meet the aim of the brief, or of the other school. */
export function MovesSheet() {
  const { sheet, vehicle } = useOpenJob('sheet', 'vehicle');
  const bayName = useBayName(vehicle);
  const told = (one: MoveAdvice) => moveText(one, bayName);
  const { inputs, set } = useDesign();
  const unitSet = useUnitSet();
  const [lookAt, setLookAt] = useState<'equal' | 'original' | null>(null);
  const advised = useMoveAdvice(lookAt);
  const share = sheet.get(FIGURES.frontShare).value;
  if (!advised || share === null) return null;
  const { aim, school, advice } = advised;
  const now = Math.abs(share - aim.share) <= aim.tolerance + 1e-12;
  const percent = (value: number) => formatQuantity(value, 'share', unitSet);
  return (
    <Panel title="Which modules to move" aside={`${percent(aim.share)} ± ${percent(aim.tolerance)} front`}>
      <div className="in stack">
        <Segmented
          aria-label="School of weight distribution"
          size="small"
          value={school}
          options={(['original', 'equal'] as const).map((value) => ({ value, label: SCHOOL_NAME[value] }))}
          onChange={setLookAt}
        />
        <p className={now ? 'pass' : 'stop'}>
          Now {percent(share)} on the front axle:{' '}
          {now ? 'the aim is met' : `${percent(Math.abs(share - aim.share))} off`}.
        </p>
        {advice.length === 0 && !now && (
          <p>No move of modules brings it nearer: move other parts, or change the aim.</p>
        )}
        {!now && advice.length > 0 && (
          <DataTable
            label="Moves"
            head={false}
            rows={advice}
            rowKey={told}
            columns={({ actions, figures, words }) => [
              words('Move', told),
              figures('Front', (one) => <span className={one.meets ? 'pass' : ''}>{percent(one.frontShare)}</span>),
              actions('Change', (one) => (
                <Button size="small" onClick={() => set({ boxes: afterMoves(inputs.boxes, one) })}>
                  Move
                </Button>
              )),
            ]}
          />
        )}
        <p className="soft small">
          Equal shares corner evenly; the maker’s shares keep the handling and brakes the vehicle was built with. The
          brief says which holds; this only looks.
        </p>
      </div>
    </Panel>
  );
}
