import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { hasRole } from '../../../../contract/rights.ts';
import { type ToolRow, toolAddress } from '../../../../contract/tools.ts';
import { dayNumber } from '../../../../core/quantity/format.ts';
import { toolProblem } from '../../../../core/toolbox/tool.ts';
import { dayAndTime, dayAndYear } from '../../../../wording/dates.ts';
import { fileUrl } from '../../../data/client.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { usePerson, useToday, useWorkshop } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../../widgets/StateMark.tsx';
import { TableFile } from '../../../widgets/TableFile.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { WithReason } from '../../../widgets/WithReason.tsx';
import { ToolForm } from './ToolForm.tsx';

/** From so many days before it ends, a calibration is said to end. */
const SOON_DAYS = 30;

const SAYS = {
  out: 'not to be had',
  neverCalibrated: 'never calibrated',
  calibrationOver: 'calibration has run out',
  otherKind: '',
} as const;

/** How a tool stands today: its mark and a few words. */
function stands(tool: ToolRow, today: string): { mark: Mark; says: string } {
  const problem = toolProblem(tool, null, today);
  if (problem) return { mark: 'stop', says: problem === 'out' ? (tool.outWhy ?? '') : SAYS[problem] };
  if (tool.calibratedUntil === null) return { mark: 'pass', says: 'needs no calibration' };
  const left = dayNumber(tool.calibratedUntil) - dayNumber(today);
  return left < SOON_DAYS
    ? { mark: 'waiting', says: left === 0 ? 'ends today' : `ends in ${left} ${left === 1 ? 'day' : 'days'}` }
    : { mark: 'pass', says: '' };
}

/** Tools and instruments: where each is, who has it, until when what it shows can be believed. */
export function ToolsLook({ picked }: { picked: string | null }) {
  const { data, error } = useOfAddress(toolAddress.list, {});
  const { role, id: me } = usePerson();
  const { timeZone } = useWorkshop();
  const today = useToday();
  const navigate = useNavigate();
  const sending = useSend(false, { typed: false });
  const [adding, setAdding] = useState(false);
  const may = hasRole(role, toolAddress.add.may);
  const mayTake = hasRole(role, toolAddress.hold.may);
  const chosen = data?.find(({ id }) => id === picked) ?? null;
  const bad = (data ?? []).filter((tool) => tool.wanted > 0 && toolProblem(tool, null, today) !== null);
  const kinds = new Set((data ?? []).filter((tool) => toolProblem(tool, null, today) === null).map(({ kind }) => kind));
  const stops = [...new Set(bad.filter(({ kind }) => !kinds.has(kind)).map(({ kind }) => kind))];
  return (
    <div className="stack">
      {stops.map((kind) => (
        <div key={kind} className="note stop">
          <StateMark mark="stop" /> No {kind} may be used today: {bad.find((tool) => tool.kind === kind)?.wanted} stages
          that are still to be done take one, and none of them can be begun.
        </div>
      ))}
      <Panel
        title="Tools and instruments"
        aside={
          <span className="row">
            <TableFile href={fileUrl(toolAddress.table, {})} what="Tools" />
            {may && (
              <Button size="small" onClick={() => setAdding(true)}>
                Enter one
              </Button>
            )}
          </span>
        }
      >
        <div className="in stack">
          {error && <p className="stop">{error.message}</p>}
          {adding && <ToolForm row={null} done={() => setAdding(false)} />}
          {chosen && may && (
            <ToolForm key={`${chosen.id} ${chosen.version}`} row={chosen} done={() => navigate('/stores/tools')} />
          )}
          <DataTable
            label="Tools and instruments"
            rows={data ?? []}
            least={820}
            rowKey={({ id }) => id}
            rowMark={(row) => ({ 'data-tool': row.name, className: row.id === picked ? 'picked' : '' })}
            empty={
              data
                ? 'None yet: a stage asks for a kind of tool, and a reading names which it was taken with.'
                : 'One moment …'
            }
            columns={({ words, actions }) => [
              words('Tool', (row) => {
                const { mark, says } = stands(row, today);
                return (
                  <span className="row" style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
                    <StateMark mark={mark} label={says || 'in order'} />
                    <span>
                      {may ? (
                        <button
                          type="button"
                          className="link-like strong"
                          onClick={() => navigate(`/stores/tools/${row.id}`)}
                        >
                          {row.name}
                        </button>
                      ) : (
                        <span className="strong">{row.name}</span>
                      )}{' '}
                      <span className="soft">{row.number}</span>
                      <div className="soft small">{row.kind}</div>
                    </span>
                  </span>
                );
              }),
              words('Calibration holds until', (row) => (
                <>
                  {row.calibratedUntil ? dayAndYear(row.calibratedUntil) : ''}
                  <div className={stands(row, today).mark === 'stop' ? 'stop small' : 'soft small'}>
                    {[stands(row, today).says, row.paper].filter(Boolean).join(', ')}
                  </div>
                </>
              )),
              words('Where', (row) =>
                row.heldBy ? (
                  <>
                    {row.heldBy} has it
                    <div className="soft small">since {dayAndTime(row.heldAt!, timeZone)}</div>
                  </>
                ) : (
                  row.kept || <span className="soft">nobody has said</span>
                ),
              ),
              words('Wanted', (row) =>
                row.wanted > 0 ? `${row.wanted} ${row.wanted === 1 ? 'stage' : 'stages'} to come` : '',
              ),
              actions('What can be done', (row) =>
                mayTake ? (
                  <span className="row" style={{ justifyContent: 'flex-end' }}>
                    {row.outWhy === null ? (
                      <>
                        <Button
                          size="small"
                          loading={sending.busy}
                          aria-label={`${row.heldById === me ? 'Bring back' : 'Take'} ${row.name}`}
                          onClick={() =>
                            void sending.go(
                              toolAddress.hold,
                              { id: row.id },
                              { taken: row.heldById !== me, version: row.version },
                            )
                          }
                        >
                          {row.heldById === me ? 'Bring back' : 'Take'}
                        </Button>
                        <WithReason
                          asks="Out of use …"
                          button={{ size: 'small', 'aria-label': `${row.name} is out of use` }}
                          address={toolAddress.out}
                          params={{ id: row.id }}
                          body={(why) => ({ why, version: row.version })}
                          save="Out of use"
                        />
                      </>
                    ) : (
                      <Button
                        size="small"
                        onClick={() =>
                          void sending.go(toolAddress.out, { id: row.id }, { why: null, version: row.version })
                        }
                      >
                        In use again
                      </Button>
                    )}
                  </span>
                ) : null,
              ),
            ]}
          />
        </div>
      </Panel>
    </div>
  );
}
