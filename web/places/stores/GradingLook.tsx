import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { gradingAddress } from '../../../contract/grading.ts';
import { type NumberRow, numbersAddress } from '../../../contract/numbers.ts';
import { hasRole } from '../../../contract/rights.ts';
import { componentAs } from '../../../core/component/sheets.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { dayText } from '../../../wording/dates.ts';
import { fileUrl } from '../../data/client.ts';
import { useLibrary, useOfAddress } from '../../data/resources.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { ComponentChoice } from '../../widgets/ComponentChoice.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TableFile } from '../../widgets/TableFile.tsx';
import { GradeForm } from './GradeForm.tsx';
import { StringsPanel } from './StringsPanel.tsx';

/** Modules as they were measured, and the strings that can be formed of them. */
export function GradingLook({ picked }: { picked: string | null }) {
  const { shelves } = useLibrary();
  const set = useUnitSet();
  const { role } = usePerson();
  const [chosen, setChosen] = useState<string | null>(picked);
  // What has been graded last is what somebody is at.
  const { data: lines } = useOfAddress(gradingAddress.lines, {});
  const usual = useMemo(
    () =>
      shelves?.data.components.find(({ kind, id, free }) => kind === 'module' && free > 0 && id.includes('graded'))
        ?.id ??
      lines?.[0]?.componentId ??
      shelves?.data.components.find(({ kind, free }) => kind === 'module' && free > 0)?.id ??
      null,
    [shelves, lines],
  );
  const componentId = chosen ?? usual;
  const { data, error } = useOfAddress(numbersAddress.inBins, componentId ? { component: componentId } : null);
  const [grading, setGrading] = useState<NumberRow | null>(null);
  const module = componentAs(componentId ? shelves?.components.get(componentId) : undefined, 'module');
  const rows = (data ?? []).toSorted((a, b) => (b.graded?.capacityAh ?? 0) - (a.graded?.capacityAh ?? 0));
  const may = hasRole(role, gradingAddress.add.may);
  const graded = rows.filter((row) => row.graded !== null).length;
  if (!shelves) return <p className="soft">One moment …</p>;
  return (
    <div className="stores-columns even">
      <Panel
        title="Modules in bins"
        aside={
          <span className="row">
            {data && `${graded} of ${rows.length} graded`}
            <TableFile href={fileUrl(gradingAddress.table, {})} what="Capacity tests" />
            <span style={{ width: 230 }}>
              <ComponentChoice
                label="Modules of"
                hideLabel
                shelves={shelves}
                kinds={['module']}
                value={componentId}
                onChange={setChosen}
              />
            </span>
          </span>
        }
      >
        <div className="in">
          {error && <p className="stop">{error.message}</p>}
          <DataTable
            label="Modules"
            rows={rows}
            least={520}
            rowKey={({ id }) => id}
            rowMark={(row) => ({ 'data-module': row.serial, className: '' })}
            empty={
              data
                ? 'None with a number of its own lies in a bin. Goods in asks for numbers; those already here are numbered under Counted.'
                : 'One moment …'
            }
            columns={({ words, figures, actions }) => [
              words('Number', (row) => <Link to={`/stores/numbers/${row.id}`}>{row.serial}</Link>),
              figures('Holds', (row) =>
                row.graded ? (
                  formatQuantity(row.graded.capacityAh, 'charge', set, { digits: 1 })
                ) : (
                  <span className="soft">not graded</span>
                ),
              ),
              figures('Resistance', (row) =>
                row.graded?.resistanceOhm ? `${(row.graded.resistanceOhm * 1000).toFixed(2)}\u202fmΩ` : '',
              ),
              words('Graded', (row) => (row.graded ? dayText(row.graded.day) : '')),
              words('Held for', (row) => row.forJob ?? row.pack ?? ''),
              actions('Grade', (row) =>
                may ? (
                  <Button size="small" type="text" aria-label={`Grade ${row.serial}`} onClick={() => setGrading(row)}>
                    Grade
                  </Button>
                ) : null,
              ),
            ]}
          />
        </div>
      </Panel>
      <div className="stack">
        {module && data && <StringsPanel key={module.id} module={module} rows={data} lines={lines ?? []} />}
      </div>
      {grading && module && <GradeForm item={grading} module={module} onClose={() => setGrading(null)} />}
    </div>
  );
}
