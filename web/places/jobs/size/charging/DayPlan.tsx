import { useMemo } from 'react';
import { chargedAfter } from '../../../../../core/charge/chargeTime.ts';
import { supplies, USUAL_HOME_H } from '../../../../../core/figures/charge/supplies.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { formatClock } from '../../../../../core/quantity/format.ts';
import { CHART } from '../../../../app/theme.ts';
import { LineChart } from '../../../../widgets/LineChart.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';

const COLOURS = [CHART.primary, ...CHART.parts.slice(1)];
const POINTS = 60;

/** "Empty at 18:00, full at …": state of charge through the night, a line for each supply. */
export function DayPlan() {
  const { sheet, use } = useOpenJob('sheet', 'use');
  const list = sheet.get(supplies).value;
  const usable = sheet.get(FIGURES.packUsable).value;
  const efficiency = sheet.slots.charge.charger?.sheet.efficiency ?? 0.9;
  const home = use.homeAtH ?? USUAL_HOME_H;
  const series = useMemo(() => {
    if (!list || usable === null) return null;
    const longest = Math.min(24, Math.max(...list.map((one) => one.hours)) * 1.05);
    return list.map((one, i) => ({
      label: `${one.supply.name}, ${formatClock(home + one.hours)}`,
      points: Array.from({ length: POINTS + 1 }, (_, k) => {
        const hours = (k / POINTS) * longest;
        return { x: Number((home + hours).toFixed(3)), y: 100 * chargedAfter(usable, one.watts, efficiency, hours) };
      }),
      colour: COLOURS[i % COLOURS.length]!,
    }));
  }, [list, usable, efficiency, home]);
  const axes = useMemo(
    () => ({
      x: { label: 'time of day', min: home, tick: (h: number) => formatClock(h % 24) },
      y: { label: '% charged', min: 0, max: 100 },
    }),
    [home],
  );
  if (!series) return null;
  return (
    <Panel title={`Empty at ${formatClock(home)}, full at …`} aside="plugged in at once">
      <div className="in">
        <LineChart
          name="night-of-charging"
          say={series.map((one) => one.label).join('; ')}
          series={series}
          x={axes.x}
          y={axes.y}
          height={210}
        />
      </div>
    </Panel>
  );
}
