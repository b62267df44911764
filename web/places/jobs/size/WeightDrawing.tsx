import { Segmented } from 'antd';
import { useState } from 'react';
import { unladenLoads } from '../../../../core/figures/balance/unladenLoads.ts';
import { FIGURES } from '../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { drawnParts } from '../../../drawing/parts.ts';
import { VehicleElevation } from '../../../drawing/VehicleElevation.tsx';
import { VehiclePlan } from '../../../drawing/VehiclePlan.tsx';
import { Sheet } from '../../../widgets/Sheet.tsx';
import { SCHOOL_NAME } from '../../../wording/brief.ts';
import { MISSING } from '../../../wording/figures.ts';
import { useBench } from '../jobBench.ts';

/** Boxes and drive in the vehicle to scale, with the axle loads that follow. */
export function WeightDrawing() {
  const { vehicle, sheet, job } = useBench();
  const set = useUnitSet();
  const [view, setView] = useState<'side' | 'above'>('side');
  const { figures } = vehicle;
  const value = (
    id: 'frontAxleNow' | 'rearAxleNow' | 'frontAxleLaden' | 'rearAxleLaden' | 'frontShare' | 'frontShareBefore',
  ) => sheet.get(FIGURES[id]).value;
  const axle = (now: number | null, laden: number | null, before: number, rating: number, name: string) => ({
    text: now === null ? 'not known' : formatQuantity(now, 'mass', set),
    say:
      laden === null
        ? ''
        : `${name}, was ${formatQuantity(before, 'mass', set)}; laden ${formatQuantity(laden, 'mass', set)} of ${formatQuantity(rating, 'mass', set)}`,
    over: laden !== null && laden > rating,
  });
  const share = value('frontShare');
  const before = value('frontShareBefore');
  const aim = job.brief.find((line) => line.kind === 'axleShare');
  const target = aim?.school === 'equal' ? 0.5 : before;
  const off = aim && share !== null && target !== null && Math.abs(share - target) > (aim.tolerance ?? 0);
  const loads = sheet.get(unladenLoads);
  return (
    <Sheet
      title="Where the weight goes"
      aside={
        <Segmented
          aria-label="View"
          size="small"
          value={view}
          options={[
            { label: 'Side', value: 'side' },
            { label: 'Above', value: 'above' },
          ]}
          onChange={(next) => setView(next as 'side' | 'above')}
        />
      }
    >
      <div className="in">
        {loads.reason && <p className="stop">Axle loads: {MISSING[loads.reason]}.</p>}
        {view === 'side' ? (
          <VehicleElevation
            vehicle={vehicle}
            parts={drawnParts(sheet.slots)}
            front={axle(
              value('frontAxleNow'),
              value('frontAxleLaden'),
              figures.frontAxleMass.value,
              figures.frontAxleRating.value,
              'front',
            )}
            rear={axle(
              value('rearAxleNow'),
              value('rearAxleLaden'),
              figures.rearAxleMass.value,
              figures.rearAxleRating.value,
              'rear',
            )}
            middle={{
              text: share === null ? '' : `${formatQuantity(share, 'share', set)} front`,
              say: aim
                ? `aim: ${SCHOOL_NAME[aim.school ?? 'original']}`
                : before === null
                  ? ''
                  : `was ${formatQuantity(before, 'share', set)}`,
              over: Boolean(off),
            }}
            centreX={loads.value?.centreXMm ?? null}
          />
        ) : (
          <div style={{ display: 'grid', placeItems: 'center' }}>
            <VehiclePlan
              vehicle={vehicle}
              parts={drawnParts(sheet.slots)}
              perMm={0.125}
              title="Boxes and drive from above"
            />
          </div>
        )}
      </div>
    </Sheet>
  );
}
