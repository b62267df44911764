import { Segmented } from 'antd';
import { useState } from 'react';
import { PAD_MARGIN } from '../../../../../core/balance/tipping.ts';
import { saferOrder, tipping, tippingByStage } from '../../../../../core/figures/balance/tipping.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { TIP_SAY, tipSentence } from '../../../../../wording/balance.ts';
import { reasonText } from '../../../../../wording/figures.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../../../widgets/StateMark.tsx';
import { useOpenJob } from '../../openJob.ts';

const MARK: Record<keyof typeof TIP_SAY, Mark> = { safe: 'pass', near: 'waiting', tips: 'stop' };
type Order = 'stages' | 'parts' | 'safer';

/** Where the mass centre lies on the lift: stage by stage as the job has them, part by part, or in a safer order. */
export function TippingPanel() {
  const { sheet, job } = useOpenJob('sheet', 'job');
  const set = useUnitSet();
  const [order, setOrder] = useState<Order>('stages');
  const result = sheet.get(tipping);
  const found = result.value;
  const safer = sheet.get(saferOrder).value;
  const shown =
    found && (order === 'stages' ? tippingByStage(found, job.stages) : order === 'safer' ? safer : found.steps);
  const worst = shown?.reduce((low, one) => (one.insideMm < low.insideMm ? one : low));
  const mm = (value: number) => formatQuantity(value, 'length', set);
  return (
    <Panel title="On the lift" aside={worst && (worst.state === 'safe' ? 'safe throughout' : TIP_SAY[worst.state])}>
      <div className="in stack">
        {!shown && <p className="soft">{reasonText(result, set)}</p>}
        {worst && worst.state !== 'safe' && (
          <p className={worst.state === 'tips' ? 'stop' : 'wait'}>{tipSentence(worst, set)}</p>
        )}
        {found && (
          <Segmented
            size="small"
            aria-label="Order of the work"
            value={order}
            onChange={(next) => setOrder(next as Order)}
            options={[
              { value: 'stages', label: 'By stage' },
              { value: 'parts', label: 'Part by part' },
              ...(safer ? [{ value: 'safer', label: 'Further inside' }] : []),
            ]}
          />
        )}
        {shown && (
          <Fold title={<>{shown.length} steps</>}>
            <DataTable
              label="Mass centre on the lift after each step"
              rows={shown}
              columns={({ words, figures }) => [
                words('State', ({ state }) => <StateMark mark={MARK[state]} label={TIP_SAY[state]} />),
                words('After', ({ step }) => step.name),
                figures('Centre, aft', ({ centreXMm }) => mm(centreXMm)),
                figures('Inside pads', ({ insideMm }) => mm(insideMm)),
              ]}
            />
          </Fold>
        )}
        <p className="soft small">
          Pads as the library has them, else at 15 and 85 % of the wheelbase; {PAD_MARGIN * 100} % of their distance is
          kept free, common practice. Measure your lift; heavy parts leaving one end tip vehicles.
        </p>
      </div>
    </Panel>
  );
}
