import { BATTERY_HIGHEST_C, BATTERY_LIKES_C, DRIVE_HIGHEST_C } from '../../../../../core/cooling/coolant.ts';
import { heaterChoice } from '../../../../../core/figures/heat/cabin.ts';
import { driveLoopChoice, packPumpChoice } from '../../../../../core/figures/heat/cooling.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { useOpenJob } from '../../openJob.ts';
import { ToFit } from '../electrics/ToFit.tsx';
import { FigureGroupSheet } from '../FigureGroupSheet.tsx';
import { RunsPanel } from './RunsPanel.tsx';
import { WarmUpChart } from './WarmUpChart.tsx';

/** Warmer than this from full to empty without cooling and air will not do, K; common practice. */
const AIR_RISE_K = 15;

/** Heat to carry away from drive and battery, each in its own loop, and heat for the people. */
export default function HeatLook() {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const loop = sheet.get(driveLoopChoice).value;
  const rise = sheet.get(FIGURES.packRise).value;
  const { cooling } = sheet.slots.pack;
  const { variant } = sheet.slots.vehicle;
  const heater = sheet.slots.electric.heater;
  const t = (value: number) => formatQuantity(value, 'temperature', set);
  return (
    <div className="two">
      <FigureGroupSheet group="cooling" aside="drive and battery in loops of their own">
        <ToFit what="Radiator to fit, drive loop" part={loop?.radiator} />
        <ToFit what="Pump to fit, drive loop" part={loop?.pump} />
        <ToFit what="Pump to fit, battery loop" part={sheet.get(packPumpChoice).value} />
        <p className="small soft">
          The battery likes {BATTERY_LIKES_C[0]} to {t(BATTERY_LIKES_C[1])} and is held under {t(BATTERY_HIGHEST_C)}.
          Motor and inverter may run to {t(DRIVE_HIGHEST_C)}. In winter a heat exchanger between the loops warms the
          battery.
        </p>
        {rise !== null && cooling === 'air' && (
          <p className={rise > AIR_RISE_K ? 'wait' : 'soft small'}>
            {rise > AIR_RISE_K
              ? `An air-cooled pack warms by ${rise.toFixed(0)} K from full to empty: liquid cooling is wanted, or shorter runs.`
              : 'Air is enough for this use; it serves short bursts only.'}
          </p>
        )}
        {variant.cooling === 'air' && (
          <p className="wait small">This vehicle has no radiator: the conversion must bring one and a place for it.</p>
        )}
      </FigureGroupSheet>
      <FigureGroupSheet group="cabin" aside={heater ? `fitted: ${heater.name}` : 'no heater among the parts'}>
        <ToFit what="Heater to fit" part={sheet.get(heaterChoice).value} why="holds the cabin warm at 0 °C" />
        <WarmUpChart />
        <p className="soft small">
          Heated seats use far less than cabin air. Coolant and refrigerant are for licensed people.
        </p>
      </FigureGroupSheet>
      <RunsPanel />
    </div>
  );
}
