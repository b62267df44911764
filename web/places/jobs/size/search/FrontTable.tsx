import { Button } from 'antd';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import type { Ranked } from '../../../../../core/search/rank.ts';
import type { SearchTask } from '../../../../../core/search/search.ts';
import { BRIEF_NAME } from '../../../../../wording/brief.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Sheet } from '../../../../widgets/Sheet.tsx';
import { useBench } from '../../jobBench.ts';

/** So many rows are read; the chart has them all. */
const ROWS = 12;

/** The front in the order of the wishes, the picked one ready to be adopted as a design. */
export function FrontTable({
  ranked,
  task,
  picked,
  onPick,
  adopt,
  busy,
}: {
  ranked: readonly Ranked[];
  task: SearchTask;
  picked: number;
  onPick: (index: number) => void;
  adopt: (() => void) | null;
  busy: boolean;
}) {
  const { shelves, job } = useBench();
  const set = useUnitSet();
  const name = (id: string | null) => (id ? (shelves.components.get(id)?.name ?? id) : 'none');
  const shown = [...ranked.keys()].filter((i) => i < ROWS || i === picked);
  return (
    <Sheet
      title={`${ranked.length} best trade-offs, nearest to the wishes first`}
      aside={
        adopt && (
          <Button type="primary" size="small" loading={busy} onClick={adopt}>
            Adopt as a design
          </Button>
        )
      }
    >
      <div className="in" style={{ overflowX: 'auto' }}>
        <table className="list" aria-label="Best trade-offs">
          <thead>
            <tr>
              <td />
              <th>Design</th>
              <th className="num">Wishes</th>
              <th className="num">Range</th>
              <th className="num">Parts</th>
              <th className="num">Off the aim</th>
              <th className="num">Days</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((i) => {
              const { choice, objectives, score, unmet } = ranked[i]!;
              const boxes = choice.counts.flatMap((n, k) => (n > 0 ? [`${n} ${task.space.bays[k]?.bay}`] : []));
              return (
                <tr key={i} className={i === picked ? 'picked' : ''}>
                  <td>
                    <input
                      type="radio"
                      name="front"
                      checked={i === picked}
                      aria-label={`Look at trade-off ${i + 1}`}
                      onChange={() => onPick(i)}
                    />
                  </td>
                  <td>
                    {boxes.join(', ')} of {name(choice.moduleId)}
                    {choice.strings > 1 ? `, ${choice.strings} strings` : ''}
                    <div className="soft small">
                      {name(choice.driveId)}
                      {choice.gear ? `, gear ${choice.gear}` : ''}; {name(choice.chargerId)}
                      {unmet.length > 0 &&
                        `; misses ${unmet
                          .map((id) => job.brief.find((line) => line.id === id))
                          .flatMap((line) => (line ? [BRIEF_NAME[line.kind].toLowerCase()] : []))
                          .join(', ')}`}
                    </div>
                  </td>
                  <td className="num">{Math.round(score * 100)} %</td>
                  <td className="num">{formatQuantity(objectives.rangeKm, 'distance', set)}</td>
                  <td className="num">{formatQuantity(objectives.priceCents, 'money', set)}</td>
                  <td className="num">{formatQuantity(objectives.shift, 'share', set)}</td>
                  <td className="num">{objectives.leadDays}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </Sheet>
  );
}
