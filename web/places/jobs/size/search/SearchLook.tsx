import { Button, Progress, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { designAddress } from '../../../../../contract/design.ts';
import type { ComponentKind } from '../../../../../core/component/sheets.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { formatNumber } from '../../../../../core/quantity/format.ts';
import { designOf, searchBase } from '../../../../../core/search/candidate.ts';
import type { SearchTask } from '../../../../../core/search/combination.ts';
import { searchDecides } from '../../../../../core/search/limits.ts';
import { type SearchSpace, wholeSpace } from '../../../../../core/search/space.ts';
import { BRIEF_NAME } from '../../../../../wording/brief.ts';
import { useMay } from '../../../../data/useMay.ts';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Labelled } from '../../../../widgets/Labelled.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useSend } from '../../../../widgets/useSend.ts';
import { BeyondHand } from '../../BeyondHand.tsx';
import { useOpenJob } from '../../openJob.ts';
import { FrontChart } from './FrontChart.tsx';
import { FrontTable } from './FrontTable.tsx';
import { SpaceFields } from './SpaceFields.tsx';
import { useSearch } from './useSearch.ts';
import { WhatBroke } from './WhatBroke.tsx';

const SEARCHED: readonly ComponentKind[] = ['module', 'drive', 'inverter', 'adapter', 'charger', 'combinedUnit'];
const WEIGHTS = [0, 1, 2, 3] as const;
const WEIGHT_NAME = ['no matter', 'a little', 'much', 'most'];

/** Looks for every buildable design: what it may choose from, how far it is, what stopped how many, and the best trade-offs. */
export default function SearchLook() {
  const { job, inputs, vehicle, shelves, use, route, sheet, pickDesign } = useOpenJob(
    'job',
    'inputs',
    'vehicle',
    'shelves',
    'use',
    'route',
    'sheet',
    'pickDesign',
  );
  const may = useMay(job, 'design');
  const sending = useSend();
  const searching = useSearch();
  const [buy, setBuy] = useState(true);
  const whole = useMemo(
    () => wholeSpace(vehicle.variant, shelves.components, shelves.free, inputs, buy),
    [vehicle, shelves, inputs, buy],
  );
  const [narrowed, setNarrowed] = useState<Partial<SearchSpace>>({});
  const space: SearchSpace = { ...whole, ...narrowed };
  const [weights, setWeights] = useState<ReadonlyMap<string, number>>(new Map());
  const [picked, setPicked] = useState(0);
  /** What was searched: the report belongs to this task, whatever is changed since. */
  const [task, setTask] = useState<SearchTask | null>(null);
  const { report, running, stopped } = searching;
  const wishes = job.brief.filter((line) => !line.firm && searchDecides(line.kind));
  const firm = job.brief.filter((line) => line.firm && searchDecides(line.kind));
  const beyond = job.brief.filter((line) => line.firm && line.kind !== 'free' && !searchDecides(line.kind));
  const go = () => {
    const next: SearchTask = {
      base: inputs,
      space,
      brief: job.brief,
      library: shelves.components,
      free: shelves.free,
      vehicle,
      use,
      route,
      newHoles: sheet.get(FIGURES.newHoles).value,
      work: sheet.slots.work,
    };
    setPicked(0);
    setTask(next);
    searching.start(next, weights);
  };
  const adopt = async () => {
    const candidate = report?.ranked[picked];
    if (!candidate || !task) return;
    const design = designOf(searchBase(task.base), task.space, candidate.choice);
    const modules = candidate.choice.counts.reduce((sum, n) => sum + n, 0);
    const letter = 'ABCDEFGHJKLMNPQRSTUVWXYZ'[job.designs.length] ?? String(job.designs.length + 1);
    const made = await sending.go(
      designAddress.add,
      { number: job.number },
      {
        name: `${letter}, ${modules} modules found`,
        inputs: design,
      },
    );
    if (made) pickDesign(made.id);
  };
  return (
    <>
      <Panel title="Search for more" aside="every buildable design, held against the brief">
        <div className="in stack">
          <p>
            {firm.length > 0 ? (
              <>
                <strong>Must hold:</strong> {firm.map((line) => BRIEF_NAME[line.kind].toLowerCase()).join(', ')}.
              </>
            ) : (
              'No firm lines: everything buildable counts.'
            )}{' '}
            {beyond.length > 0 && (
              <span className="soft">
                Not decided here: {beyond.map((line) => BRIEF_NAME[line.kind].toLowerCase()).join(', ')}.
              </span>
            )}
          </p>
          <div className="row">
            <Segmented
              aria-label="Modules from"
              value={buy ? 'buy' : 'stores'}
              options={[
                { label: 'Modules in stores or to buy', value: 'buy' },
                { label: 'Modules free in stores only', value: 'stores' },
              ]}
              onChange={(value) => setBuy(value === 'buy')}
            />
            {running ? (
              <Button onClick={searching.cancel}>Stop here</Button>
            ) : (
              <Button type="primary" onClick={go}>
                Search
              </Button>
            )}
            {report && (
              <span className="soft" data-looked>
                {formatNumber(report.looked, 0)} of {formatNumber(report.total, 0)} looked at
                {running ? '' : stopped ? ', stopped' : ', done'}; {formatNumber(report.good, 0)} hold every firm line
              </span>
            )}
          </div>
          <BeyondHand kinds={SEARCHED} />
          {running && (
            <Progress
              percent={report ? Math.round((100 * report.looked) / Math.max(1, report.total)) : 0}
              size="small"
              aria-label="How far the search is"
            />
          )}
          <Fold title={<>What it may choose from, and how much each wish weighs</>}>
            <SpaceFields whole={whole} space={space} onChange={(change) => setNarrowed({ ...narrowed, ...change })} />
            <div className="fields" style={{ paddingTop: 8 }}>
              {wishes.map((line) => (
                <Labelled label={`${BRIEF_NAME[line.kind]} weighs`} key={line.id}>
                  <Segmented
                    size="small"
                    aria-label={`Weight of ${BRIEF_NAME[line.kind]}`}
                    value={weights.get(line.id) ?? 1}
                    options={WEIGHTS.map((value) => ({ value, label: WEIGHT_NAME[value]! }))}
                    onChange={(value) => setWeights(new Map(weights).set(line.id, Number(value)))}
                  />
                </Labelled>
              ))}
            </div>
          </Fold>
        </div>
      </Panel>
      {report && task && (
        <>
          {report.ranked.length > 0 ? (
            <>
              <FrontChart ranked={report.ranked} picked={picked} onPick={setPicked} />
              <FrontTable
                ranked={report.ranked}
                task={task}
                picked={picked}
                onPick={setPicked}
                adopt={may && !running ? () => void adopt() : null}
                busy={sending.busy}
              />
            </>
          ) : (
            !running && (
              <p className="note stop">
                Nothing buildable holds every firm line. What stopped most is below: loosen that line, allow more
                modules, or another drive.
              </p>
            )
          )}
          <WhatBroke report={report} />
        </>
      )}
    </>
  );
}
