import { ReloadOutlined } from '@ant-design/icons';
import { Button, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { hasRole } from '../../../contract/rights.ts';
import { type ScenarioRow, type WorkPlanSheet, workPlanAddress } from '../../../contract/workPlan.ts';
import type { PlanChange } from '../../../core/plan/planChange.ts';
import { dayNumber, isoDay } from '../../../core/quantity/format.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useWorkshop } from '../../data/session.tsx';
import { useSend } from '../../widgets/useSend.ts';
import { CannotBePlanned } from './CannotBePlanned.tsx';
import { IfYouAccept } from './IfYouAccept.tsx';
import { JobOfPlan } from './JobOfPlan.tsx';
import { JobsOfPlan } from './JobsOfPlan.tsx';
import { NewWhatIf } from './NewWhatIf.tsx';
import { PlanChart } from './PlanChart.tsx';
import { type Bar, rowsOf, type View } from './rows.ts';
import { SideBySide } from './SideBySide.tsx';
import { UndoHand } from './UndoHand.tsx';
import { useThought } from './useThought.ts';
import { WhatIfBar } from './WhatIfBar.tsx';
import { WouldHelpMost } from './WouldHelpMost.tsx';

/** All jobs and people over the coming weeks: who will be late, why each stage begins when it does, what would help. */
export default function PlanPlace() {
  const { data, error } = useOfAddress(workPlanAddress.sheet, {});
  // What is there stays while it cannot be asked for anew.
  if (!data) return <div className="page soft">{error ? error.message : 'One moment …'}</div>;
  return <OpenPlan sheet={data} />;
}

const VIEW_NAME: readonly { value: View; label: string }[] = [
  { value: 'bay', label: 'by bay' },
  { value: 'person', label: 'by person' },
  { value: 'vehicle', label: 'by vehicle' },
];
const SPANS = [
  { value: 6, label: '6 weeks' },
  { value: 10, label: '10 weeks' },
  { value: 20, label: 'season' },
];

function OpenPlan({ sheet }: { sheet: WorkPlanSheet }) {
  const { role } = usePerson();
  const { timeZone } = useWorkshop();
  const [view, setView] = useState<View>('bay');
  const [weeks, setWeeks] = useState(6);
  const [picked, setPicked] = useState<string | null>(null);
  const [hand, setHand] = useState<readonly PlanChange[] | null>(null);
  const [whatIf, setWhatIf] = useState<ScenarioRow | null>(null);
  const [thinking, setThinking] = useState(false);
  const [compared, setCompared] = useState(false);
  const making = useSend(false, { typed: false });
  const changes = hand ?? whatIf?.changes ?? null;
  const { would, shown, facts: thought, sure } = useThought(sheet, changes);
  const { facts, plan } = sheet;
  const rows = useMemo(() => (shown ? rowsOf({ facts, plan: shown }, view) : []), [facts, shown, view]);
  const mayHand = hasRole(role, workPlanAddress.hand.may);
  const pick = (bar: Bar) => setPicked(bar.key);
  const carry = (bar: Bar, days: number) => {
    const stage = bar.stages.find(({ causes }) => causes[0]?.kind !== 'begun') ?? bar.stages[0]!;
    const held = bar.job.stages.some(({ id, notBefore }) => id === stage.id && notBefore !== null);
    const now = dayNumber(stage.from.slice(0, 10));
    setWhatIf(null);
    setPicked(bar.key);
    // Later is a hold; sooner can only be had by counting for more than others.
    setHand(
      days > 0
        ? [{ kind: 'hold', stageId: stage.id, day: isoDay(now + days) }]
        : [
            ...(held ? [{ kind: 'hold' as const, stageId: stage.id, day: null }] : []),
            { kind: 'priority', job: bar.job.number, priority: 'rush' },
          ],
    );
  };
  const bays = facts.places.filter(({ lift }) => lift).length;
  const live = facts.people.filter(({ hvUntil }) => hvUntil !== null && hvUntil >= facts.now.day).length;
  return (
    <div className="page stack">
      <div className="spread" style={{ alignItems: 'center' }}>
        <span className="row" style={{ gap: 10, alignItems: 'baseline' }}>
          <h1>Plan</h1>
          <span className="soft">
            {`${facts.jobs.length} vehicles, ${bays} ${bays === 1 ? 'bay' : 'bays'} with lift, ${live} may work live`}
            {plan && ` · at most ${Math.max(0, Math.round(plan.gap * 100))} % from the best possible`}
          </span>
        </span>
        <span className="row">
          <Segmented aria-label="Rows" value={view} options={[...VIEW_NAME]} onChange={setView} />
          <Segmented aria-label="Weeks" value={weeks} options={SPANS} onChange={setWeeks} />
        </span>
      </div>
      <WhatIfBar
        sheet={sheet}
        chosen={whatIf}
        onChoose={(next) => {
          setHand(null);
          setWhatIf(next);
        }}
        onNew={() => setThinking(true)}
        compared={compared}
        onCompare={setCompared}
        jobs={shown?.jobs ?? null}
      />
      {compared && sheet.scenarios.length > 0 && (
        <SideBySide
          sheet={sheet}
          onChoose={(next) => {
            setHand(null);
            setWhatIf(next);
          }}
        />
      )}
      <div className="plan-columns">
        {shown ? (
          <PlanChart
            facts={facts}
            rows={rows}
            sure={sure.jobs}
            weeks={weeks}
            picked={picked}
            onPick={pick}
            onCarry={mayHand ? carry : null}
          />
        ) : (
          <section className="sheet">
            <div className="in">No plan has been made yet. It is made from the stages of the jobs that are agreed.</div>
          </section>
        )}
        <div className="stack">
          {changes && (
            <IfYouAccept
              sheet={sheet}
              changes={changes}
              would={would}
              scenario={hand ? null : whatIf}
              onDone={() => {
                setHand(null);
                setWhatIf(null);
              }}
            />
          )}
          {shown && picked ? (
            <JobOfPlan
              key={picked}
              sheet={sheet}
              plan={shown}
              picked={picked}
              sure={sure}
              onPick={setPicked}
              onHand={mayHand ? setHand : null}
            />
          ) : (
            !changes && plan && <JobsOfPlan sheet={sheet} onPick={setPicked} />
          )}
          {!picked && shown?.jobs.some(({ lateDays }) => lateDays > 0) && (!changes || would) && (
            <WouldHelpMost
              facts={thought}
              plan={shown}
              onTry={(more) => {
                setHand([...(changes ?? []), ...more]);
                setWhatIf(null);
              }}
            />
          )}
          {shown && shown.impossible.length > 0 && <CannotBePlanned facts={facts} plan={shown} />}
          {!changes && mayHand && sheet.lastHand && <UndoHand sheet={sheet} hand={sheet.lastHand} />}
          <p className="soft small">
            {sheet.madeAt &&
              `Made ${dayAndTime(sheet.madeAt, timeZone)}${sheet.madeBy ? ` for ${sheet.madeBy}` : ', by itself'}. `}
            {sheet.stale && 'Something has changed since. '}
            {hasRole(role, workPlanAddress.make.may) && (
              <Button
                size="small"
                icon={<ReloadOutlined />}
                loading={making.busy}
                onClick={() => void making.go(workPlanAddress.make, {})}
              >
                Plan again
              </Button>
            )}
          </p>
        </div>
      </div>
      {thinking && <NewWhatIf facts={facts} onClose={() => setThinking(false)} />}
    </div>
  );
}
