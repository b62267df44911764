import { Button, Checkbox } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { jobAddress } from '../../../../contract/jobChange.ts';
import { resolveDesign } from '../../../../core/design/resolve.ts';
import { cradleMatches } from '../../../../core/fit/cradle.ts';
import { kitDesign, kitHours, kitParts } from '../../../../core/kit/kit.ts';
import { countVerdict, VERDICT_NAME } from '../../../../wording/fit.ts';
import { useMay } from '../../../data/useMay.ts';
import { drawnParts } from '../../../drawing/parts.ts';
import { VehiclePlan } from '../../../drawing/VehiclePlan.tsx';
import { Choice } from '../../../widgets/Choice.tsx';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { VERDICT_MARK } from '../../../widgets/verdictMark.ts';
import { useOpenJob } from '../openJob.ts';
import { CoverGrid } from './CoverGrid.tsx';
import { FindingRow } from './FindingRow.tsx';
import { KitFromDesign } from './KitFromDesign.tsx';
import { UpgradeNote } from './UpgradeNote.tsx';
import { WhichKit } from './WhichKit.tsx';

/** What the server says is stored, when somebody else chose meanwhile. */
interface StoredKitChoice {
  readonly kitRevisionId: string | null;
  readonly kitOptions: string[];
  readonly version: number;
}

/** Put a kit revision against this vehicle: every rule's verdict with its reasons, and the cover of functions. */
export default function MatchStep() {
  const { job, shelves, vehicle, use, fitOf } = useOpenJob('job', 'shelves', 'vehicle', 'use', 'fitOf');
  const manager = useMay(job, 'kit');
  const sending = useSend();
  const kits = shelves.data.kits.filter((kit) => kit.state !== 'withdrawn');
  const own =
    kits.find((kit) => kit.modelName === vehicle.variant.modelName && kit.state === 'released') ??
    kits.find((kit) => kit.modelName === vehicle.variant.modelName);
  const [lookedAt, setLookedAt] = useState<string | null>(job.kit?.revisionId ?? own?.id ?? null);
  const [all, setAll] = useState(false);
  const [options, setOptions] = useState<readonly string[]>(job.kit?.options ?? []);
  useEffect(() => {
    if (job.kit) {
      setLookedAt(job.kit.revisionId);
      setOptions(job.kit.options);
    }
  }, [job.kit]);
  const revision = lookedAt ? (shelves.kits.get(lookedAt) ?? null) : null;
  const report = useMemo(() => (revision ? fitOf(revision, options) : null), [fitOf, revision, options]);
  const scene = useMemo(() => {
    if (!revision) return null;
    const parts = kitParts(revision, shelves.components, vehicle.variant.id, options);
    const work = {
      labourHours: null,
      rateCents: 0,
      todayDay: 0,
      latestPartDay: null,
      remainingHours: null,
      hoursPerDay: 1,
    };
    const slots = resolveDesign({
      design: kitDesign(revision, parts, vehicle.variant.id, options),
      library: shelves.components,
      vehicle,
      use,
      newHoles: null,
      work,
    });
    const slides = report?.slides ?? [];
    const marks = cradleMatches(vehicle.variant, parts, slides).flatMap(({ pick, point, spareMm, xMm }) => {
      const good = spareMm !== null && spareMm >= 0;
      const hole = { x: xMm, y: pick.yMm, good, label: `cradle hole, ${pick.point}` };
      return point && !good
        ? [hole, { x: point.xMm, y: point.yMm, good: true, label: `${pick.point} of this variant` }]
        : [hole];
    });
    // Where a box meets what moves, it is marked on the part it meets.
    const clashes = (vehicle.variant.moving ?? [])
      .filter(({ name }) =>
        report?.findings.some(
          ({ rule, verdict, subject }) =>
            rule === 'movingParts' && verdict === 'doesNotFit' && subject.includes(` ${name} `),
        ),
      )
      .map(({ name, xMm, yMm }) => ({ x: xMm, y: yMm, good: false, label: `too near: ${name}` }));
    return { parts: drawnParts(slots), marks: [...marks, ...clashes], count: parts.length };
  }, [revision, options, shelves, vehicle, use, report]);
  const taken = job.kit?.revisionId === lookedAt && JSON.stringify(job.kit?.options) === JSON.stringify(options);
  const take = (revisionId: string | null) =>
    sending.go(
      jobAddress.chooseKit,
      { number: job.number },
      {
        revisionId,
        options: revisionId ? options : [],
        version: job.version,
      },
    );
  const tally = report
    ? (['fits', 'afterWork', 'measureFirst', 'doesNotFit'] as const)
        .map((v) => [v, report.findings.filter((f) => f.verdict === v).length] as const)
        .filter(([, n]) => n > 0)
    : [];
  return (
    <div className="stack">
      <Panel
        title={
          <div style={{ width: 300 }}>
            <Choice
              label="Kit and revision"
              hideLabel
              value={lookedAt}
              options={kits.map((kit) => ({
                value: kit.id,
                label: `${kit.kitName}, revision ${kit.revision}${kit.state === 'draft' ? ' (draft)' : ''}`,
              }))}
              onChange={(id) => {
                setLookedAt(id);
                setOptions([]);
              }}
              placeholder="Choose a kit to look at"
            />
          </div>
        }
        aside={
          revision && (
            <span className="row">
              {scene?.count} lines, {kitHours(revision, vehicle.variant.id, options)} h
              {manager && !taken && (
                <Button type="primary" loading={sending.busy} onClick={() => void take(revision.id)}>
                  Take this kit
                </Button>
              )}
              {taken && <strong>taken for this job</strong>}
              {manager && taken && job.stages.length === 0 && (
                <Button type="text" onClick={() => void take(null)}>
                  Drop it
                </Button>
              )}
            </span>
          )
        }
      >
        {revision && (
          <div className="in row">
            {revision.options.map((option) => (
              <Checkbox
                key={option.id}
                checked={options.includes(option.id)}
                disabled={!manager}
                onChange={(event) =>
                  setOptions(event.target.checked ? [...options, option.id] : options.filter((id) => id !== option.id))
                }
              >
                {option.name}
              </Checkbox>
            ))}
            {revision.exclusions.length > 0 && (
              <span className="soft small">Never includes {revision.exclusions.join(', ')}.</span>
            )}
          </div>
        )}
      </Panel>
      <WhichKit
        key={job.brief.map(({ id, version }) => `${id} ${version}`).join()}
        onLook={(id, chosen) => {
          setLookedAt(id);
          setOptions(chosen);
        }}
      />
      {revision && job.kit && !taken && <UpgradeNote revision={revision} options={options} />}
      {report && revision && scene && (
        <>
          <div className="two" style={{ gridTemplateColumns: 'minmax(0, 1fr) 206px' }}>
            <Panel
              title={
                <span className="row" data-overall={report.verdict}>
                  <StateMark mark={VERDICT_MARK[report.verdict]} label="" />{' '}
                  {report.verdict === 'measureFirst'
                    ? 'Measure first, before the kit is promised'
                    : `The kit ${VERDICT_NAME[report.verdict]}`}
                </span>
              }
              aside={tally.map(([verdict, n]) => countVerdict(verdict, n)).join(', ')}
            >
              {report.findings
                .filter(({ verdict }) => all || verdict !== 'fits')
                .map((finding, i) => (
                  <FindingRow key={`${finding.rule} ${finding.subject} ${i}`} finding={finding} />
                ))}
              <div className="in">
                <Button type="link" size="small" style={{ padding: 0 }} onClick={() => setAll(!all)}>
                  {all ? 'Show only what does not simply fit' : `Show all ${report.findings.length} findings`}
                </Button>
              </div>
            </Panel>
            <Panel title="Where it goes">
              <div className="in" style={{ display: 'grid', placeItems: 'center' }}>
                <VehiclePlan
                  vehicle={vehicle}
                  parts={scene.parts}
                  marks={scene.marks}
                  perMm={Math.min(0.1, 175 / (vehicle.figures.width.value + 240))}
                  noseUp
                  title="The kit in this vehicle, seen from above"
                />
                <p className="soft small">Ringed: cradle holes. Red: no mounting point of this variant under it.</p>
              </div>
            </Panel>
          </div>
          <CoverGrid cover={report.cover} />
        </>
      )}
      {manager && job.chosenDesignId && <KitFromDesign onMade={setLookedAt} />}
      <Conflict
        of={jobAddress.chooseKit}
        params={{ number: job.number }}
        sending={sending}
        theirs={({ kitRevisionId, kitOptions, version }: StoredKitChoice) => ({
          revisionId: kitRevisionId,
          options: kitOptions,
          version,
        })}
      />
    </div>
  );
}
