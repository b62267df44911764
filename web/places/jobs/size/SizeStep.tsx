import { lazy, Suspense } from 'react';
import { drivelineWorst } from '../../../../core/figures/drive/drivelineWorst.ts';
import type { FigureId } from '../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { FigureRow } from '../../../widgets/FigureValue.tsx';
import { Sheet } from '../../../widgets/Sheet.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { UsePanel } from '../brief/UsePanel.tsx';
import { useBench } from '../jobBench.ts';
import { CompareDesigns } from './CompareDesigns.tsx';
import { DesignBar } from './DesignBar.tsx';
import { DesignInputsPanel } from './DesignInputsPanel.tsx';
import { WeightDrawing } from './WeightDrawing.tsx';

const SpeedChart = lazy(() => import('./SpeedChart.tsx'));

const GROUPS: readonly { readonly title: string; readonly ids: readonly FigureId[] }[] = [
  {
    title: 'Pack',
    ids: [
      'packVoltageEmpty',
      'packVoltageNominal',
      'packVoltageFull',
      'packSagVoltage',
      'packEnergy',
      'packUsable',
      'packPower',
      'packMass',
      'bmsSatellites',
    ],
  },
  {
    title: 'Range',
    ids: ['rangeRound', 'consumptionRound', 'rangeCycle', 'consumptionCycle', 'rangeConstant', 'consumptionConstant'],
  },
  {
    title: 'On the road',
    ids: [
      'totalRatio',
      'speedPer1000Rpm',
      'drivePower',
      'time0to20',
      'time0to50',
      'time0to100',
      'topSpeed',
      'hillStart',
      'drivelineMargin',
    ],
  },
  {
    title: 'Weight',
    ids: [
      'addedMass',
      'unladenMass',
      'grossMassNow',
      'frontAxleLaden',
      'rearAxleLaden',
      'frontShare',
      'frontShareBefore',
    ],
  },
  { title: 'Charge and money', ids: ['chargePower', 'chargeTime', 'chargeTime20to80', 'partsPrice', 'jobPrice'] },
];

/** Design the conversion: choose modules, bays, drive and charger; every figure follows at once. */
export default function SizeStep() {
  const { stored, sheet } = useBench();
  const sending = useSend(true);
  const set = useUnitSet();
  const worst = sheet.get(drivelineWorst).value?.[0];
  return (
    <div className="stack">
      <DesignBar sending={sending} />
      {!stored && (
        <p className="note">This job has no design yet. Make one: from the kit taken in Match, or from nothing.</p>
      )}
      {stored && (
        <>
          {sending.problem && sending.problem.type !== '/problems/stale' && (
            <div className="note stop" role="alert">
              Not saved: {Object.values(sending.faults).join(' ') || sending.problem.detail}
            </div>
          )}
          <WeightDrawing />
          {worst && worst.margin < 1 && (
            <div className="note stop">
              Full torque breaks the {worst.part}: {formatQuantity(worst.torqueNm, 'torque', set)} on a limit of{' '}
              {formatQuantity(worst.limitNm, 'torque', set)}. A cap at{' '}
              {formatQuantity(Math.floor(worst.capNm), 'torque', set)} at the motor protects it.
            </div>
          )}
          <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1.15fr) minmax(0, 1fr)' }}>
            <div className="stack">
              <DesignInputsPanel faults={sending.faults} />
              <Suspense fallback={null}>
                <SpeedChart />
              </Suspense>
            </div>
            <div className="stack">
              {GROUPS.map((group) => (
                <Sheet key={group.title} title={group.title}>
                  <div className="in">
                    {group.ids.map((id) => (
                      <FigureRow key={id} id={id} sheet={sheet} />
                    ))}
                  </div>
                </Sheet>
              ))}
            </div>
          </div>
          <CompareDesigns />
          <UsePanel />
        </>
      )}
    </div>
  );
}
