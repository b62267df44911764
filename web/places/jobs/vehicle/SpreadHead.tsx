import { Button, Progress } from 'antd';
import { useMemo } from 'react';
import type { FigureId } from '../../../../core/figures/index.ts';
import { FIGURES } from '../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import type { FigureSpread } from '../../../../core/spread/figureSpread.ts';
import { FIGURE_NAME, VEHICLE_FIGURE_NAME } from '../../../../wording/figures.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { useOpenJob } from '../openJob.ts';
import { useSpread } from './useSpread.ts';

/** Heads the measuring list: how far range and hill start may lie, and what to measure first to know them better. */
export function SpreadHead() {
  const { sheet } = useOpenJob('sheet');
  const round = sheet.slots.use.round !== null;
  const route = sheet.slots.route !== null;
  const figures = useMemo<readonly FigureId[]>(
    () => [round ? 'rangeRound' : route ? 'rangeRoute' : 'rangeCycle', 'hillStart'],
    [round, route],
  );
  const { spreads, progress, start, cancel } = useSpread(sheet, figures);
  if (progress !== null)
    return (
      <div className="row" data-spread="running">
        <Progress percent={Math.round(progress * 100)} size="small" aria-label="Working out the spread" />
        <Button size="small" onClick={cancel}>
          Stop
        </Button>
      </div>
    );
  if (!spreads)
    return (
      <Button size="small" onClick={start}>
        How far range and hill start may lie
      </Button>
    );
  if (spreads.length === 0) return <p className="soft">Nothing unmeasured moves range or hill start.</p>;
  return (
    <div className="stack" data-spread="done">
      {spreads.map((spread) => (
        <One key={spread.figure} spread={spread} />
      ))}
      <p className="soft small">
        All unmeasured figures at once, each off as it often is (common practice), 10 000 times: eight in ten lie
        between.
      </p>
    </div>
  );
}

/** Shares under this are not worth a word. */
const WORTH_SAYING = 0.02;

function One({ spread }: { spread: FigureSpread }) {
  const set = useUnitSet();
  const { figure, now, p10, p90, without, shares } = spread;
  const { kind } = FIGURES[figure];
  const say = (value: number) => formatQuantity(value, kind!, set);
  const share = (value: number) => formatQuantity(value, 'share', set, { digits: 0 });
  const [first, ...rest] = shares.filter((one) => one.inAll >= WORTH_SAYING);
  return (
    <div data-spread-of={figure}>
      <div className="spread">
        <span>{FIGURE_NAME[figure]}</span>
        <span className="strong num">
          {say(p10)} to {say(p90)}
        </span>
      </div>
      <div className="soft small">
        {say(now)} as it stands
        {without > 0 && `; in ${share(without)} of all it could not be worked out`}.
        {first && (
          <>
            {' '}
            <span className="strong">Measure {VEHICLE_FIGURE_NAME[first.input].toLowerCase()} first</span>: it carries{' '}
            {share(first.inAll)} of the spread
            {rest.length > 0 &&
              `, then ${rest.map((one) => `${VEHICLE_FIGURE_NAME[one.input].toLowerCase()} ${share(one.inAll)}`).join(', ')}`}
            .
          </>
        )}
      </div>
    </div>
  );
}
