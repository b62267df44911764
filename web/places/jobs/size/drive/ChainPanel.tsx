import { Progress } from 'antd';
import type { ChainRow } from '../../../../../core/chain/rows.ts';
import { chainLinks } from '../../../../../core/figures/drive/chainRows.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { reasonText } from '../../../../../wording/figures.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';

/** The chain from cell to road as a row of links: what each allows at full throttle, and what is left of it. */
export function ChainPanel() {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const result = sheet.get(chainLinks);
  const rows = result.value;
  const holding = rows?.filter((row) => row.holds).map((row) => row.name.toLowerCase()) ?? [];
  const unknown = rows?.filter((row) => row.limit === null).length ?? 0;
  return (
    <Panel
      title="From cell to road at full throttle"
      aside={
        rows
          ? `held by ${holding.join(' and ') || 'nothing named'}${unknown > 0 ? `; ${unknown} not known` : ''}`
          : undefined
      }
    >
      <div className="in">
        {rows ? (
          <ul className="chain" aria-label="Links of the chain">
            {rows.map((row) => (
              <Link key={`${row.name} ${row.part ?? ''}`} row={row} />
            ))}
          </ul>
        ) : (
          <p className="soft">{reasonText(result, set)}</p>
        )}
      </div>
    </Panel>
  );
}

/** How much of a limit is used before it is worth a second look. */
const CLOSE = 0.1;

function Link({ row }: { row: ChainRow }) {
  const set = useUnitSet();
  const { name, part, kind, limit, asked, left, holds } = row;
  const say = (value: number) => formatQuantity(value, kind, set);
  // What holds is never over: the rest of the chain gives no more than it lets through.
  const over = !holds && left !== null && left < -1e-9;
  const state = over ? 'stop' : holds ? 'wait' : left === null ? 'open' : 'go';
  return (
    <li className={`link ${state}`}>
      <span className="link-name">{name}</span>
      <span className="soft small link-part">{part ?? '\u00a0'}</span>
      {limit === null ? (
        <span className="small soft">not known</span>
      ) : (
        <>
          <span className="num">
            {kind === 'voltage' ? `${say(asked)}, at least ${say(limit)}` : `${say(asked)} of ${say(limit)}`}
          </span>
          <Progress
            percent={kind === 'voltage' ? 100 * Math.min(1, limit / asked) : 100 * Math.min(1, asked / limit)}
            size="small"
            showInfo={false}
            aria-hidden
            status={over ? 'exception' : 'normal'}
          />
          <span className={`small ${over ? 'stop' : holds || (left ?? 1) < CLOSE ? 'strong' : 'soft'}`}>
            {over
              ? `over by ${formatQuantity(-left!, 'share', set)}`
              : holds
                ? 'holds it back'
                : `${formatQuantity(left!, 'share', set)} left`}
          </span>
        </>
      )}
    </li>
  );
}
