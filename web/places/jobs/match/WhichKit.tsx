import { Button } from 'antd';
import { useState } from 'react';
import { briefKind } from '../../../../core/brief/lines.ts';
import { type Criterion, type RankedKit, rankKits } from '../../../../core/fit/rankKits.ts';
import { formatHours, formatQuantity } from '../../../../core/quantity/format.ts';
import { RULE_NAME, VERDICT_NAME } from '../../../../wording/fit.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { VERDICT_MARK } from '../../../widgets/verdictMark.ts';
import { useOpenJob } from '../openJob.ts';
import { usePackages } from '../usePackages.ts';

const BEHIND: Record<Criterion, string> = {
  notForIt: 'for another vehicle',
  firmBroken: 'breaks a firm line',
  misfits: 'does not fit',
  wishesMissed: 'misses more wishes',
  toMeasure: 'more has to be measured',
  gaps: 'more functions are open',
  priceCents: 'dearer',
  hours: 'takes longer',
  leadDays: 'waits longer for parts',
};
/** Ways shown at first; the rest by a press. */
const FIRST = 8;

/** Every kit with every choice of its options for this vehicle and brief, best first, each with why it is behind. */
export function WhichKit({ onLook }: { onLook: (revisionId: string, options: readonly string[]) => void }) {
  const { job, shelves, vehicle, use, sheet } = useOpenJob('job', 'shelves', 'vehicle', 'use', 'sheet');
  const workshop = useWorkshop();
  const set = useUnitSet();
  const [ranked, setRanked] = useState<readonly RankedKit[] | null>(null);
  const [all, setAll] = useState(false);
  const chosen = job.designs.find(({ id }) => id === job.chosenDesignId) ?? job.designs[0];
  const { start, running } = usePackages(chosen?.inputs ?? null, chosen ? `Design ${chosen.name}` : '');
  const rank = async () => {
    // The chosen design without a kit, completed from the catalogue, stands beside the kits.
    const packages = await start().catch(() => []);
    setRanked(
      rankKits({
        kits: [
          ...shelves.data.kits.filter(({ state }) => state !== 'withdrawn'),
          ...packages.map(({ revision }) => revision),
        ],
        library: shelves.components,
        vehicle,
        use,
        work: sheet.slots.work,
        cover: job.cover,
        brief: job.brief,
        region: job.region ?? workshop.region,
        lineName: (line) => briefKind(line.kind).name.toLowerCase(),
        ruleName: ({ rule }) => RULE_NAME[rule].toLowerCase(),
      }),
    );
  };
  if (!ranked)
    return (
      <div>
        <Button onClick={() => void rank()} loading={running}>
          Which kit? Compare all for this vehicle and brief
        </Button>
      </div>
    );
  const shown = all ? ranked : ranked.slice(0, FIRST);
  const known = (cents: number) => cents < Number.MAX_SAFE_INTEGER;
  return (
    <Panel title="Which kit?" aside={`${ranked.length} ways, best first`}>
      <div className="in stack">
        <DataTable
          label="Which kit"
          rows={shown}
          rowKey={({ revision, options }) => `${revision.id} ${options.join()}`}
          rowMark={({ revision, verdict }) => ({ 'data-way': revision.id, 'data-verdict': verdict })}
          columns={({ words, figures, actions }) => [
            words('Kit', ({ revision, options, verdict }) => (
              <span className="row" style={{ flexWrap: 'nowrap' }}>
                <StateMark mark={VERDICT_MARK[verdict]} label={VERDICT_NAME[verdict]} />
                <span>
                  {revision.kitName} {revision.revision}
                  {revision.state === 'draft' && revision.kitId && <span className="soft"> (draft)</span>}
                  {options.length > 0 && (
                    <div className="soft small">
                      {options.map((id) => revision.options.find((one) => one.id === id)?.name ?? id).join(', ')}
                    </div>
                  )}
                </span>
              </span>
            )),
            figures('Firm', ({ firm, by }) => (by.notForIt > 0 ? '' : `${firm - by.firmBroken} of ${firm}`)),
            figures('Wishes', ({ wishes, by }) => (by.notForIt > 0 ? '' : `${wishes - by.wishesMissed} of ${wishes}`)),
            figures('Open', ({ by }) => by.gaps || ''),
            figures('Price with tax', ({ by }) =>
              known(by.priceCents) ? formatQuantity(by.priceCents, 'money', set) : '',
            ),
            figures('Hours', ({ by }) => formatHours(by.hours)),
            words('Why it stands here', ({ against, behind }) =>
              against.length > 0 ? (
                <span className="stop small">{against.slice(0, 3).join(', ')}</span>
              ) : behind ? (
                <span className="small">{BEHIND[behind]} than the one before</span>
              ) : (
                <strong className="small">first</strong>
              ),
            ),
            actions('Look at it', ({ revision, options, by }) =>
              by.notForIt === 0 && revision.kitId ? (
                <Button
                  size="small"
                  aria-label={`Look at ${revision.kitName} ${revision.revision} ${options.join(' ')}`}
                  onClick={() => onLook(revision.id, options)}
                >
                  Look
                </Button>
              ) : null,
            ),
          ]}
        />
        {ranked.length > FIRST && (
          <div>
            <Button type="link" size="small" style={{ padding: 0 }} onClick={() => setAll(!all)}>
              {all ? 'Only the first' : `All ${ranked.length}`}
            </Button>
          </div>
        )}
      </div>
    </Panel>
  );
}
