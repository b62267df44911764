import { useMemo } from 'react';
import { prechargeNow, resistorChoice } from '../../../../../core/figures/electric/precharge.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { linkVoltage } from '../../../../../core/wiring/precharge.ts';
import { MISSING } from '../../../../../wording/figures.ts';
import { CHART } from '../../../../app/theme.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { LineChart, type Series } from '../../../../widgets/LineChart.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useOpenJob } from '../../openJob.ts';
import { useDesign } from '../design/useDesign.ts';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { ToFit } from './ToFit.tsx';

const POINTS = 60;

/** Link voltage while it fills, the resistor that does it, and when to give up. */
export function PrechargePanel({ faults }: { faults: Readonly<Record<string, string>> }) {
  const { sheet } = useOpenJob('sheet');
  const { electric, setElectric } = useDesign();
  const set = useUnitSet();
  const result = sheet.get(prechargeNow);
  const now = result.value;
  const inverter = sheet.slots.drive.inverter ?? sheet.slots.drive.unit;
  const full = sheet.get(FIGURES.packVoltageFull).value;
  const series = useMemo<Series[]>(() => {
    if (!now) return [];
    const span = now.timeS * 2;
    return [
      {
        label: 'link',
        points: Array.from({ length: POINTS + 1 }, (_, i) => {
          const t = (i / POINTS) * span;
          return { x: Number(t.toFixed(4)), y: linkVoltage(now.fullV, now.chosenOhm, now.linkUf / 1e6, t) };
        }),
        colour: CHART.hv,
      },
      {
        label: `${Math.round(now.share * 100)} % of the pack`,
        points: [
          { x: 0, y: now.fullV * now.share },
          { x: span, y: now.fullV * now.share },
        ],
        colour: CHART.soft,
        dash: [4, 4],
        width: 1.2,
      },
    ];
  }, [now]);
  const axes = useMemo(() => ({ x: { label: 's', min: 0 }, y: { label: 'V', min: 0 } }), []);
  return (
    <FigureGroupSheet
      group="precharge"
      aside={
        now
          ? `link ${formatQuantity(now.linkUf, 'capacitance', set)}${now.linkKnown ? '' : ', assumed: measure'}`
          : result.reason
            ? MISSING[result.reason]
            : undefined
      }
    >
      {now && (
        <>
          <ToFit what="Resistor to fit" part={sheet.get(resistorChoice).value} />
          <LineChart
            name="precharge"
            say={`Link voltage rises to ${Math.round(now.share * 100)} % of ${Math.round(now.fullV)} V in ${now.timeS.toFixed(2)} s`}
            series={series}
            x={axes.x}
            y={axes.y}
            height={160}
          />
        </>
      )}
      {inverter && full !== null && full > inverter.sheet.maxV && (
        <p className="stop small">
          {inverter.name} fills its own link up to {formatQuantity(inverter.sheet.maxV, 'voltage', set)} only: this pack
          needs a precharge circuit of its own.
        </p>
      )}
      <div className="fields" style={{ paddingTop: 8 }}>
        <QuantityInput
          label="Filled within"
          kind="duration"
          value={electric.prechargeS}
          onChange={(prechargeS) => prechargeS !== null && prechargeS > 0 && setElectric({ prechargeS })}
          fault={faults['inputs.electric.prechargeS']}
        />
        <QuantityInput
          label="Filled means"
          kind="share"
          value={electric.prechargeShare}
          onChange={(share) => share !== null && share > 0 && share < 1 && setElectric({ prechargeShare: share })}
          fault={faults['inputs.electric.prechargeShare']}
        />
      </div>
    </FigureGroupSheet>
  );
}
