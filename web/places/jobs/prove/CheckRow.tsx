import { ReloadOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import type { CheckResult } from '../../../../contract/prove.ts';
import { proveAddress } from '../../../../contract/prove.ts';
import type { FigureSheet } from '../../../../core/figures/evaluate.ts';
import { FIGURES } from '../../../../core/figures/index.ts';
import type { Check } from '../../../../core/prove/check.ts';
import type { UnitSet } from '../../../../core/quantity/units.ts';
import { checkValueText } from '../../../../wording/checks.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { FIGURE_NAME, reasonText } from '../../../../wording/figures.ts';
import { limitText } from '../../../../wording/work.ts';
import { useDraft } from '../../../data/draft.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { NoteLesson } from '../../../learning/NoteLesson.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';

/** One check: how, limit and where it comes from, value, signature. Done again it gets a further signature. */
export function CheckRow({ check, result }: { check: Check; result: CheckResult | undefined }) {
  const { job, sheet } = useOpenJob('job', 'sheet');
  const set = useUnitSet();
  const workshop = useWorkshop();
  const sending = useSend(true);
  const [value, setValue] = useDraft<number>(`check ${job.id} ${check.id}`);
  const [unreadable, setUnreadable] = useState<string | null>(null);
  const [again, setAgain] = useState(false);
  const limit = check.limit(sheet);
  const may = useMay(job, 'sign');
  const asks = may && (!result || again);
  const sign = async (signed: number | null) => {
    if (unreadable || signed === null) return;
    if (await sending.go(proveAddress.sign, { number: job.number }, { checkId: check.id, value: signed, note: '' })) {
      setValue(null);
      setAgain(false);
    }
  };
  const failed = result?.verdict === 'failed';
  const figure = limit?.figure;
  return (
    <div className={`step ${failed ? 'stopped' : ''}`} data-check={check.id} data-verdict={result?.verdict ?? 'open'}>
      <StateMark mark={failed ? 'stop' : result ? 'pass' : 'open'} />
      <div>
        <span className="strong">{check.title}</span>
        {check.liveHv && <span className="live small"> live, HV authorised only</span>}
        <div className="soft small">{check.how}</div>
        {result && <NoteLesson job={job} about="check" aboutId={check.id} aboutText={check.title} />}
        <div className="small">
          {check.kind && limit && (
            <>
              <span className="strong">{limitText(limit, check.kind, set)}</span>
              <span className="soft">
                {' '}
                {figure ? `from the design's ${FIGURE_NAME[figure].toLowerCase()}: ` : ''}
                {limit.source}
              </span>
            </>
          )}
          {check.kind && !limit && (
            <span className="wait">No limit yet: the design lacks it. {missingReason(check.id, sheet, set)}</span>
          )}
        </div>
        {sending.problem && !sending.faults.value && <div className="fault">{sending.problem.detail}</div>}
      </div>
      <div style={{ textAlign: 'right' }}>
        {result && !again && (
          <>
            <div className={failed ? 'stop strong' : 'strong'}>
              {may && (
                <Button
                  icon={<ReloadOutlined />}
                  size="small"
                  type="text"
                  onClick={() => setAgain(true)}
                  aria-label={`Check again: ${check.title}`}
                >
                  Again
                </Button>
              )}{' '}
              {checkValueText(check, result.value, set)}
            </div>
            <div className="soft small">
              {result.by}, {dayAndTime(result.at, workshop.timeZone)}
            </div>
            {result.designName && (
              <div className="soft small">
                design {result.designName.split(',')[0]}, version {result.designVersion}
              </div>
            )}
          </>
        )}
        {asks && check.kind && limit && (
          <div className="row" style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
            <QuantityInput
              label={check.title}
              hideLabel
              width={140}
              kind={check.kind}
              value={value}
              onChange={setValue}
              onFault={setUnreadable}
              fault={sending.faults.value}
              mayBeEmpty
              onEnter={() => void sign(value)}
            />
            <Button loading={sending.busy} onClick={() => void sign(value)} aria-label={`Sign ${check.title}`}>
              Sign
            </Button>
          </div>
        )}
        {asks && !check.kind && (
          <div className="row" style={{ flexWrap: 'nowrap' }}>
            <Button
              loading={sending.busy}
              onClick={() => void sign(1)}
              aria-label={`Sign ${check.title}: as it should be`}
            >
              Sign
            </Button>
            <Button
              type="text"
              danger
              onClick={() => void sign(0)}
              aria-label={`Sign ${check.title}: not as it should be`}
            >
              Not right
            </Button>
          </div>
        )}
      </div>
    </div>
  );
}

/** What to do in Size so that a limit taken from a figure appears. */
function missingReason(checkId: string, sheet: FigureSheet, set: UnitSet): string {
  const figure =
    checkId === 'acPower'
      ? FIGURES.chargePower
      : checkId === 'consumption'
        ? FIGURES.consumptionConstant
        : FIGURES.packVoltageFull;
  const result = sheet.get(figure);
  return result.reason ? `In Size: ${reasonText(result, set)}.` : '';
}
