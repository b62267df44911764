import { Link } from 'react-router';
import type { LineJudgement } from '../../../core/brief/judgeLine.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { BRIEF_NAME, byHowMuch, nowText } from '../../../wording/brief.ts';
import { findingSentence, RULE_NAME } from '../../../wording/fit.ts';
import { useUnitSet } from '../../data/session.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import type { Decision } from './judgeFloor.ts';

const days = (n: number) => `${n} ${n === 1 ? 'day' : 'days'}`;

/** A firm line that does not hold: by how much, or that the drive cannot at all. */
const brokenText = (judged: LineJudgement, set: UnitSet): string => {
  const name = BRIEF_NAME[judged.line.kind];
  const now = nowText(judged, set);
  return judged.value === null
    ? `${name}: ${now}. The line is firm.`
    : `${name} is ${now}, ${byHowMuch(judged, set)}. The line is firm.`;
};

/** One thing to decide, with its next action. */
export function DecisionItem({ decision: { about, job, mark } }: { decision: Decision }) {
  const set = useUnitSet();
  const to = (step: string) => `/jobs/${job?.number}/${step}`;
  const say = () => {
    switch (about.kind) {
      case 'brokenLine':
        return {
          text: brokenText(about.line, set),
          action: <Link to={to('size')}>Change the design</Link>,
        };
      case 'misfit':
        return {
          text: `The kit does not fit this variant. ${RULE_NAME[about.finding.rule]}, ${about.finding.subject}: ${findingSentence(about.finding, set)}`,
          action: <Link to={to('match')}>Choose another kit</Link>,
        };
      case 'latePart':
        return {
          text: `${about.name} is ${days(about.days)} late.`,
          action: (
            <Link to={to('parts')}>{about.heldBy ? 'Look at the one in stores' : 'Ask the supplier for a day'}</Link>
          ),
        };
      case 'missingPart':
        return {
          text: `${about.name}${about.count > 1 ? ` and ${about.count - 1} more` : ''} not ordered.`,
          action: <Link to={to('parts')}>Order</Link>,
        };
      case 'unweighed':
        return {
          text:
            about.figures > 0
              ? `No axle weights. ${about.figures} ${about.figures === 1 ? 'line' : 'lines'} of the brief rest on library masses.`
              : 'No axle weights. Fit and range stay estimates until it is weighed.',
          action: <Link to={to('vehicle')}>Weigh it</Link>,
        };
      case 'stopped':
        return {
          text: `“${about.stage}” is stopped: a reading is out of limits.`,
          action: <Link to={to('build')}>Decide on the reading</Link>,
        };
      case 'authorisation':
        return {
          text:
            about.days < 0
              ? `${about.name}'s HV authorisation has run out.`
              : `${about.name}'s HV authorisation ends in ${days(about.days)}; ${about.others} other ${about.others === 1 ? 'person has' : 'people have'} one.`,
          action: <span className="strong">Book the renewal</span>,
        };
    }
  };
  const { text, action } = say();
  return (
    <div className="step" style={{ gridTemplateColumns: '24px 1fr' }}>
      <StateMark mark={mark} />
      <div>
        {job && <span className="strong">{`${job.number} ${job.title}: `}</span>}
        {text} <span className="strong">{action}</span>
      </div>
    </div>
  );
}
