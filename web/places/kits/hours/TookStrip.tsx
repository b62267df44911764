import type { EstimateRow } from '../../../../contract/estimates.ts';

const WIDTH = 170;
const HEIGHT = 30;

/** A line to scale: what is reckoned with upright, each vehicle a mark, the newest dark, the middle of them strong. */
export function TookStrip({ row: { actuals, learnt, standing } }: { row: EstimateRow }) {
  const last = actuals.slice(0, 5);
  if (last.length === 0) return <span className="soft small">none yet</span>;
  const most = Math.max(standing, ...last.map(({ hours }) => hours)) * 1.1;
  const x = (hours: number) => 4 + (hours / most) * (WIDTH - 8);
  const said = `${last.length} vehicles, ${learnt ? `${learnt.hours} hours in the middle` : 'too few for a middle'}, ${standing} reckoned`;
  return (
    <svg width={WIDTH} height={HEIGHT} role="img" aria-label={said}>
      <line x1={4} x2={WIDTH - 4} y1={12} y2={12} stroke="var(--hairline)" />
      <line x1={x(standing)} x2={x(standing)} y1={3} y2={21} stroke="var(--ink)" strokeDasharray="3 2" />
      {last.map(({ job, hours }, i) => (
        <circle key={job} cx={x(hours)} cy={12} r={3} fill="var(--primary)" opacity={1 - i * 0.15} />
      ))}
      {learnt && <rect x={x(learnt.hours) - 1.5} y={5} width={3} height={14} fill="var(--wait)" />}
      <text x={4} y={HEIGHT - 1} fontSize={11} fill="var(--soft)">
        {learnt
          ? `${Number(learnt.lowHours.toFixed(1))}–${Number(learnt.highHours.toFixed(1))} h, middle ${Number(learnt.hours.toFixed(1))} of ${learnt.vehicles}`
          : `${last.length} of three`}
      </text>
    </svg>
  );
}
