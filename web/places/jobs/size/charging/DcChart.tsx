import { useMemo } from 'react';
import { dcPower } from '../../../../../core/charge/dcCharge.ts';
import { dcLimits } from '../../../../../core/figures/charge/dc.ts';
import { MISSING } from '../../../../../wording/figures.ts';
import { CHART } from '../../../../app/theme.ts';
import { LineChart } from '../../../../widgets/LineChart.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';

/** Rapid charging: power over state of charge, by the least of post, vehicle and pack. */
export function DcChart() {
  const { sheet } = useOpenJob('sheet');
  const { inputs, set } = useDesign();
  const result = sheet.get(dcLimits);
  const limits = result.value;
  const series = useMemo(
    () =>
      limits
        ? [
            {
              label: 'power',
              points: Array.from({ length: 101 }, (_, i) => ({ x: i, y: dcPower(limits, i / 100) / 1000 })),
              colour: CHART.hv,
            },
          ]
        : null,
    [limits],
  );
  const axes = useMemo(() => ({ x: { label: '% charged', min: 0, max: 100 }, y: { label: 'kW', min: 0 } }), []);
  return (
    <Panel title="Rapid DC" aside={inputs.packCooling === 'liquid' ? 'liquid-cooled pack' : 'air-cooled pack'}>
      <div className="in stack">
        {series ? (
          <>
            <LineChart
              name="rapid-charging"
              say="Rapid charging power over state of charge"
              series={series}
              x={axes.x}
              y={axes.y}
              height={190}
            />
            {inputs.packCooling !== 'liquid' && (
              <p className="wait small">Rapid charging needs the battery cooled while it stands: air will not do.</p>
            )}
          </>
        ) : (
          <p className="soft">No rapid charging: {result.reason ? MISSING[result.reason] : ''}.</p>
        )}
        <QuantityInput
          label="Most DC power the vehicle takes"
          kind="electricPower"
          value={inputs.dcMaxW ?? null}
          mayBeEmpty
          width={220}
          onChange={(dcMaxW) => set({ dcMaxW })}
        />
      </div>
    </Panel>
  );
}
