import { Button } from 'antd';
import { useCallback, useMemo } from 'react';
import { type OfferRow, offerAddress, type PriceSheet } from '../../../../contract/offers.ts';
import { TAX_RULES } from '../../../../core/money/tax.ts';
import { offerDoubts } from '../../../../core/offer/doubts.ts';
import type { OfferBody } from '../../../../core/offer/offer.ts';
import { offerSums } from '../../../../core/offer/sums.ts';
import { doubtText, money, TAX_RULE_NAME } from '../../../../wording/offers.ts';
import { useDraft } from '../../../data/draft.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { Choice } from '../../../widgets/Choice.tsx';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { DayInput } from '../../../widgets/DayInput.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { LinesEditor } from '../../../widgets/offer/LinesEditor.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';

/** An offer as it is being written; its sums follow every key, and what was typed outlives leaving the page. */
export function OfferEditor({ row, sheet, onClose }: { row: OfferRow; sheet: PriceSheet; onClose: () => void }) {
  const set = useUnitSet();
  const [draft, setDraft] = useDraft<{ body: OfferBody; version: number }>(`offer ${row.id}`);
  const body = draft?.body ?? row.body;
  const version = draft?.version ?? row.version;
  const change = useCallback(
    (part: Partial<OfferBody>) => setDraft({ body: { ...body, ...part }, version }),
    [setDraft, body, version],
  );
  const form = useChecked(offerAddress.change, { id: row.id }, { body, version });
  const sums = useMemo(() => offerSums(body), [body]);
  const doubts = useMemo(
    () => offerDoubts(body, { ...sheet.ground, paidCents: new Map(Object.entries(sheet.ground.paidCents)) }),
    [body, sheet.ground],
  );
  const fault = (field: string) => form.faults[`body.${field}`];
  const close = () => {
    setDraft(null);
    onClose();
  };
  return (
    <Panel
      title={`Offer ${row.number}`}
      aside={
        <span data-sum>
          {money(sums.netCents, set)} before tax, <strong>{money(sums.totalCents, set)} to pay</strong>
        </span>
      }
    >
      <div className="in">
        <EntryForm
          save="Keep it so"
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void form.save().then((saved) => saved && close())}
          beside={<Button onClick={close}>Leave it as it was</Button>}
        >
          <LinesEditor
            lines={body.lines}
            taxShare={body.taxShare}
            onChange={(lines) => change({ lines })}
            faults={form.faults}
            at="body.lines"
          />
          <div className="fields">
            <QuantityInput
              label="In case, on parts and hours"
              kind="share"
              value={body.contingencyShare}
              onChange={(share) => share !== null && change({ contingencyShare: share })}
              fault={fault('contingencyShare')}
            />
            <QuantityInput
              label="Rounded to"
              kind="money"
              digits={2}
              value={body.roundToCents}
              onChange={(cents) => cents !== null && change({ roundToCents: Math.round(cents) })}
              fault={fault('roundToCents')}
            />
            <Choice
              label="Tax is rounded"
              value={body.taxRule}
              options={TAX_RULES.map((rule) => ({ value: rule, label: TAX_RULE_NAME[rule] }))}
              onChange={(taxRule) => taxRule && change({ taxRule })}
            />
            <QuantityInput
              label="Tax on in case and rounding"
              kind="share"
              value={body.taxShare}
              onChange={(share) => share !== null && change({ taxShare: share })}
              fault={fault('taxShare')}
            />
            <Choice
              label="The client sees"
              value={body.open ? 'open' : 'folded'}
              options={[
                { value: 'folded', label: 'what groups come to' },
                { value: 'open', label: 'each line' },
              ]}
              onChange={(seen) => seen && change({ open: seen === 'open' })}
            />
            <DayInput
              shown
              label="Stands until"
              value={body.validUntil}
              onChange={(validUntil) => change({ validUntil })}
              fault={fault('validUntil')}
            />
          </div>
          <TextField
            label="Words to the client"
            value={body.note}
            onChange={(note) => change({ note })}
            fault={fault('note')}
          />
          {doubts.map((doubt) => (
            <div key={JSON.stringify(doubt)} className="row small" data-doubt={doubt.doubt}>
              <StateMark mark="waiting" label="look at this" />
              {doubtText(doubt, set, (key) => body.lines.find((line) => line.key === key)?.text || 'A line')}
            </div>
          ))}
          <Conflict
            of={offerAddress.change}
            params={{ id: row.id }}
            sending={form.sending}
            theirs={(now: OfferRow) => ({ body: now.body, version: now.version })}
            done={close}
          />
        </EntryForm>
      </div>
    </Panel>
  );
}
