import { useMemo } from 'react';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { toShown, unitOf } from '../../../../../core/quantity/units.ts';
import type { Ranked } from '../../../../../core/search/rank.ts';
import { CHART } from '../../../../app/theme.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { LineChart, type Series } from '../../../../widgets/LineChart.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';

/** The best trade-offs: range against price; a bigger dot is nearer to the aim of axle shares. Press one to look at it. */
export function FrontChart({
  ranked,
  picked,
  onPick,
}: {
  ranked: readonly Ranked[];
  picked: number;
  onPick: (index: number) => void;
}) {
  const set = useUnitSet();
  const series = useMemo<Series[]>(() => {
    const at = ({ objectives }: Ranked) => ({
      x: toShown(objectives.priceCents, 'money', set),
      y: toShown(objectives.rangeKm, 'distance', set),
    });
    const size = ({ objectives }: Ranked) => Math.max(3, 9 - objectives.shift * 120);
    const now = ranked[picked];
    return [
      ...(now
        ? [{ label: 'looked at', points: [at(now)], colour: CHART.wait, dots: true, radius: size(now) + 3 }]
        : []),
      {
        label: 'best trade-offs, bigger nearer the aim of axle shares',
        points: ranked.map(at),
        colour: CHART.primary,
        dots: true,
        radius: ranked.map(size),
      },
    ];
  }, [ranked, picked, set]);
  const axes = useMemo(
    () => ({ x: { label: `${unitOf('money', set).symbol} parts` }, y: { label: unitOf('distance', set).symbol } }),
    [set],
  );
  return (
    <Panel title="Range against price" aside="press a dot to look at it">
      <div className="in">
        <LineChart
          name="best-trade-offs"
          say={`${ranked.length} best trade-offs of range and price`}
          series={series}
          x={axes.x}
          y={axes.y}
          height={230}
          onPick={(which, index) => series[which]?.label !== 'looked at' && onPick(index)}
          tip={(which, index) => {
            const one = series[which]?.label === 'looked at' ? ranked[picked] : ranked[index];
            if (!one) return '';
            const { rangeKm, priceCents, shift, leadDays } = one.objectives;
            return `${formatQuantity(rangeKm, 'distance', set)}, ${formatQuantity(priceCents, 'money', set)}, ${formatQuantity(shift, 'share', set)} off the aim, ${leadDays} days`;
          }}
        />
      </div>
    </Panel>
  );
}
