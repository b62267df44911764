import { Link } from 'react-router';
import type { LineJudgement } from '../../../core/brief/judgeLine.ts';
import { BRIEF_KINDS, briefKind } from '../../../core/brief/lines.ts';
import { neededG } from '../../../core/brief/neededG.ts';
import { canTurn } from '../../../core/brief/turnRound.ts';
import { GRIP_DRY } from '../../../core/drive/traction.ts';
import { FIGURES } from '../../../core/figures/index.ts';
import { formatHours, formatNumber, formatQuantity } from '../../../core/quantity/format.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { LIKELY_ERROR, WORTH_MEASURING } from '../../../core/vehicle/vehicleFigures.ts';
import { BRIEF_NAME, byHowMuch, LINE_STATE_NAME, nowText, wanted } from '../../../wording/brief.ts';
import { useUnitSet } from '../../data/session.tsx';
import { FigureValue } from '../../widgets/FigureValue.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';
import { useOpenJob } from './openJob.ts';
import { TurnRound } from './TurnRound.tsx';

const MARK: Record<LineJudgement['state'], Mark> = { met: 'pass', broken: 'stop', unknown: 'waiting', open: 'open' };

/** What a draft changes in this line, with its sign; empty where it changes nothing anybody would see. */
function change(now: LineJudgement, saved: LineJudgement | undefined, set: UnitSet): string {
  if (now.value === null || saved?.value == null || now.value === saved.value) return '';
  const { kind } = BRIEF_KINDS[now.line.kind];
  const diff = now.value - saved.value;
  const sign = diff > 0 ? '+' : '−';
  if (kind === 'date') return `${sign}${Math.abs(diff)} d`;
  if (kind === 'hours') return Math.abs(diff) * 60 < 0.5 ? '' : `${sign}${formatHours(Math.abs(diff))}`;
  const text = formatQuantity(diff, kind, set, { signed: true });
  return text.startsWith('+') || text.startsWith('−') ? text : '';
}

/** What was offered stands beside what today's figures come to: it is the offer that the client will hold against it. */
function OfferAgainst({ line }: { line: LineJudgement['line'] }) {
  const { job } = useOpenJob('job');
  const set = useUnitSet();
  const { offer } = job;
  if (!offer || offer.state === 'declined') return null;
  const over = line.amount !== null && offer.totalCents > line.amount;
  return (
    <span className={over ? 'stop' : ''} data-offered>
      {`; ${offer.state === 'accepted' ? 'agreed at' : `offer ${offer.number}`} ${formatQuantity(offer.totalCents, 'money', set)}`}
    </span>
  );
}

/** Brief against now: every line with its present figure, met or not, by how much, and what a draft changes. */
export function Tally() {
  const { job, lines, savedLines, stored, designDirty, useDirty, sheet } = useOpenJob(
    'job',
    'lines',
    'savedLines',
    'stored',
    'designDirty',
    'useDirty',
    'sheet',
  );
  const set = useUnitSet();
  const dirty = designDirty || useDirty;
  const doubtful = lines.filter(
    ({ state, unmeasured }) => state !== 'open' && unmeasured.some((id) => LIKELY_ERROR[id] > WORTH_MEASURING),
  ).length;
  return (
    <aside className="tally" aria-label="Brief against now">
      <div className="spread">
        <h2>Brief against now</h2>
        <span className="soft small">{stored ? stored.name.split(',')[0] : ''}</span>
      </div>
      {dirty && <div className="wait small">Not saved: changes shown against what is stored.</div>}
      {doubtful > 0 && (
        <Link className="row small" style={{ flexWrap: 'nowrap', padding: '6px 0' }} to={`/jobs/${job.number}/vehicle`}>
          <StateMark mark="waiting" label="" />
          {doubtful} of {lines.length} rest on what nobody has measured: measuring list
        </Link>
      )}
      {lines.length === 0 && <p className="soft">The brief has no lines yet.</p>}
      {lines.map((judgement) => {
        const { line, state } = judgement;
        const figure = BRIEF_KINDS[line.kind].figure;
        const saved = savedLines.find((other) => other.line.id === line.id);
        const delta = dirty ? change(judgement, saved, set) : '';
        const margin = byHowMuch(judgement, set);
        const { worst } = briefKind(line.kind);
        const asked = neededG(line);
        const atWorst = worst ? sheet.get(FIGURES[worst]).value : null;
        return (
          <div className="line" key={line.id} data-line={line.kind} data-state={state}>
            <StateMark mark={MARK[state]} label={LINE_STATE_NAME[state]} />
            <span>{line.kind === 'free' ? line.text : BRIEF_NAME[line.kind]}</span>
            <span className={`num ${state === 'broken' ? 'stop' : ''}`}>
              {figure && judgement.value !== null ? (
                <FigureValue id={figure} sheet={sheet}>
                  {nowText(judgement, set)}
                </FigureValue>
              ) : (
                <span className={state === 'broken' ? 'small' : 'soft small'}>{nowText(judgement, set)}</span>
              )}
            </span>
            <span className="say">
              {(judgement.margin !== null || state === 'broken') && canTurn(line) && (
                <TurnRound line={line} met={state === 'met'} />
              )}
              {line.firm && <strong>firm: </strong>}
              {wanted(line, judgement.target, set)}
              {margin && (state === 'broken' ? <span className="stop">{`, ${margin}`}</span> : `, ${margin}`)}
              {atWorst !== null && `; old and in frost ${formatQuantity(atWorst, 'distance', set)}`}
              {asked !== null && asked > GRIP_DRY && (
                <span className="stop">
                  {` asks ${formatNumber(asked, 1)} g on the mean; dry tyres give ${formatNumber(GRIP_DRY, 1)}`}
                </span>
              )}
              {line.kind === 'priceCeiling' && <OfferAgainst line={line} />}
              {delta && <span className="wait strong"> {delta}</span>}
            </span>
          </div>
        );
      })}
    </aside>
  );
}
