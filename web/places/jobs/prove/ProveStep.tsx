import { Button } from 'antd';
import { proveAddress } from '../../../../contract/prove.ts';
import { CHECK_GROUP_NAME, CHECK_GROUPS } from '../../../../core/prove/check.ts';
import { CHECKS } from '../../../../core/prove/index.ts';
import { overrideText, standingOverrides } from '../../../../wording/fit.ts';
import { fileUrl } from '../../../data/client.ts';
import { Panel } from '../../../widgets/Panel.tsx';
import { SafetyNote } from '../../../widgets/SafetyNote.tsx';
import { useOpenJob } from '../openJob.ts';
import { CheckRow } from './CheckRow.tsx';
import { EvidencePanel } from './EvidencePanel.tsx';

/** The sign-off sheet: each check with its limit, value, and who signed when; as PDF for the folder. */
export default function ProveStep() {
  const { job } = useOpenJob('job');
  const newest = new Map([...job.checks].reverse().map((result) => [result.checkId, result]));
  const overridden = standingOverrides(job.decisions);
  const passed = [...newest.values()].filter((result) => result.verdict === 'passed').length;
  return (
    <div className="stack">
      <div className="spread">
        <h2>Sign-off sheet</h2>
        <span className="row">
          <span className="soft">
            {passed} of {CHECKS.length} signed as passed
          </span>
          <Button href={fileUrl(proveAddress.paper, { number: job.number })} download>
            Save as PDF
          </Button>
        </span>
      </div>
      {CHECK_GROUPS.map((group) => {
        const checks = CHECKS.filter((check) => check.group === group);
        return (
          <Panel key={group} title={CHECK_GROUP_NAME[group]} hv={checks.some((check) => check.liveHv)}>
            {group === 'firstPower' && (
              <div className="in">
                <SafetyNote about="live" />
              </div>
            )}
            {checks.map((check) => (
              <CheckRow key={check.id} check={check} result={newest.get(check.id)} />
            ))}
          </Panel>
        );
      })}
      {overridden.length > 0 && (
        <Panel title="Taken all the same, against a rule" aside="on the sign-off sheet">
          {overridden.map(({ rule, subject, reason, by }) => {
            const { name, about } = overrideText(rule, subject);
            return (
              <p key={`${rule} ${subject}`} className="in" data-overridden={rule}>
                <span className="strong">{name}</span>, {about}: {reason} <span className="soft">{by}</span>
              </p>
            );
          })}
        </Panel>
      )}
      <EvidencePanel />
      <SafetyNote about="approval" />
    </div>
  );
}
