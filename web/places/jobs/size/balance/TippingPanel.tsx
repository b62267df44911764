import { useState } from 'react';
import { PAD_MARGIN, type TipState } from '../../../../../core/balance/tipping.ts';
import { tipping } from '../../../../../core/figures/balance/tipping.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { reasonText } from '../../../../../wording/figures.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../../../widgets/StateMark.tsx';
import { useOpenJob } from '../../openJob.ts';

const MARK: Record<TipState['state'], Mark> = { safe: 'pass', near: 'waiting', tips: 'stop' };
const SAY: Record<TipState['state'], string> = { safe: 'safe', near: 'near a pad', tips: 'tips off the lift' };

/** Where the mass centre lies on the lift while parts go out and in, and an order that keeps it further inside. */
export function TippingPanel() {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const [safer, setSafer] = useState(false);
  const result = sheet.get(tipping);
  const found = result.value;
  const shown = safer && found?.safer ? found.safer : found?.steps;
  const worst = shown?.reduce((low, one) => (one.insideMm < low.insideMm ? one : low));
  const mm = (value: number) => formatQuantity(value, 'length', set);
  return (
    <Panel title="On the lift" aside={worst && (worst.state === 'safe' ? 'safe throughout' : SAY[worst.state])}>
      <div className="in stack">
        {!shown && <p className="soft">{reasonText(result, set)}</p>}
        {worst && worst.state !== 'safe' && (
          <p className={worst.state === 'tips' ? 'stop' : 'wait'}>
            After {worst.step.name} the mass centre lies {mm(Math.abs(worst.insideMm))}{' '}
            {worst.insideMm < 0 ? 'outside' : 'from'} a pad: stand the vehicle under both ends, or take another order.
          </p>
        )}
        {shown && (
          <Fold title={<>{shown.length} steps</>}>
            <DataTable
              label="Mass centre on the lift after each step"
              rows={shown}
              columns={({ words, figures }) => [
                words('State', ({ state }) => <StateMark mark={MARK[state]} label={SAY[state]} />),
                words('After', ({ step }) => step.name),
                figures('Centre, aft', ({ centreXMm }) => mm(centreXMm)),
                figures('Inside pads', ({ insideMm }) => mm(insideMm)),
              ]}
            />
          </Fold>
        )}
        {found?.safer && (
          <button type="button" className="link" onClick={() => setSafer(!safer)}>
            {safer ? 'Out first, then in' : 'Show an order that keeps it further inside'}
          </button>
        )}
        <p className="soft small">
          Pads as the library has them, else at 15 and 85 % of the wheelbase; {PAD_MARGIN * 100} % of their distance is
          kept free, common practice. Measure your lift; heavy parts leaving one end tip vehicles.
        </p>
      </div>
    </Panel>
  );
}
