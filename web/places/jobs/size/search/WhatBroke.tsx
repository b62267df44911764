import { formatNumber } from '../../../../../core/quantity/format.ts';
import type { BuildReason } from '../../../../../core/search/judgeCandidate.ts';
import { BRIEF_NAME } from '../../../../../wording/brief.ts';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import type { SearchReport } from '../../../../workers/searchWorker.ts';
import { useOpenJob } from '../../openJob.ts';

const REASON: Record<BuildReason, string> = {
  noModules: 'no modules at all',
  strings: 'modules do not divide into equal strings',
  stock: 'more modules than the stores have free',
  voltage: 'outside the voltage of a component',
  sag: 'empty pack under load falls below a component’s least voltage',
  bayFull: 'more modules than a bay takes',
  bayMass: 'heavier than a bay carries',
  plate: 'over the gross mass',
  frontAxle: 'front axle over its rating',
  rearAxle: 'rear axle over its rating',
  incomplete: 'a figure is missing',
};

/** How many candidates each reason stopped; one that breaks several counts at the first. */
export function WhatBroke({ report }: { report: SearchReport }) {
  const { job } = useOpenJob('job');
  const rows = Object.entries(report.broke)
    .map(([reason, many]) => {
      const line = job.brief.find((candidate) => candidate.id === reason);
      return {
        reason,
        many,
        say: line ? `firm: ${BRIEF_NAME[line.kind].toLowerCase()}` : (REASON[reason as BuildReason] ?? reason),
      };
    })
    .sort((a, b) => b.many - a.many);
  const most = Math.max(1, ...rows.map((row) => row.many));
  return (
    <Panel title="What stopped the others" aside="each counts at the first thing it breaks">
      <div className="in">
        <DataTable
          label="What stopped the others"
          head={false}
          rows={rows}
          rowKey={(row) => row.reason}
          rowMark={(row) => ({ 'data-broke': row.say, className: '' })}
          columns={({ words, figures }) => [
            words('Reason', (row) => row.say, { width: '46%' }),
            figures('Candidates', (row) => formatNumber(row.many, 0), { width: 90 }),
            words('Share', (row) => <div className="broke-bar" style={{ width: `${(100 * row.many) / most}%` }} />),
          ]}
        />
      </div>
    </Panel>
  );
}
