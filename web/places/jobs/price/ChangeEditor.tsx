import { Button } from 'antd';
import { useMemo } from 'react';
import { type AdditionRow, offerAddress } from '../../../../contract/offers.ts';
import type { OfferLine } from '../../../../core/offer/offer.ts';
import { offerSums } from '../../../../core/offer/sums.ts';
import { money } from '../../../../wording/offers.ts';
import { useDraft } from '../../../data/draft.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { Choice } from '../../../widgets/Choice.tsx';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { LinesEditor } from '../../../widgets/offer/LinesEditor.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';

interface Written {
  readonly wish: string;
  readonly lines: readonly OfferLine[];
  readonly designId: string | null;
  readonly massKg: number;
  readonly xMm: number | null;
  readonly note: string;
  readonly version: number;
}

const writtenOf = ({ wish, body, designId, massKg, xMm, version }: AdditionRow): Written => ({
  ...{ wish, lines: body.lines, designId, massKg, xMm, note: body.note, version },
});

/** A wish as it is being priced: its parts and hours, the mass it brings, the design it makes. */
export function ChangeEditor({ row, onClose }: { row: AdditionRow; onClose: () => void }) {
  const { job } = useOpenJob('job');
  const set = useUnitSet();
  const [draft, setDraft] = useDraft<Written>(`change ${row.id}`);
  const now = draft ?? writtenOf(row);
  const change = (part: Partial<Written>) => setDraft({ ...now, ...part });
  const form = useChecked(offerAddress.changeWish, { id: row.id }, now);
  const sums = useMemo(() => offerSums({ ...row.body, lines: now.lines }), [row.body, now.lines]);
  const close = () => {
    setDraft(null);
    onClose();
  };
  const designs = job.designs.filter(({ id }) => id !== job.chosenDesignId);
  return (
    <section className="apart" aria-label={`Change ${row.number}`}>
      <EntryForm
        save="Keep it so"
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void form.save().then((saved) => saved && close())}
        beside={
          <>
            <Button onClick={close}>Leave it as it was</Button>
            <span className="soft" data-sum>
              {money(sums.netCents, set)} before tax, <strong>{money(sums.totalCents, set)} to pay</strong>
            </span>
          </>
        }
      >
        <TextField label="Wish" value={now.wish} onChange={(wish) => change({ wish })} fault={form.faults.wish} />
        <LinesEditor
          lines={now.lines}
          taxShare={row.body.taxShare}
          onChange={(lines) => change({ lines })}
          faults={form.faults}
          at="lines"
        />
        <div className="fields">
          <QuantityInput
            label="Mass it brings besides its parts"
            kind="mass"
            value={now.massKg}
            onChange={(massKg) => change({ massKg: massKg ?? 0 })}
            fault={form.faults.massKg}
          />
          <QuantityInput
            label="That mass, behind the front axle"
            kind="length"
            mayBeEmpty
            value={now.xMm}
            onChange={(xMm) => change({ xMm })}
            fault={form.faults.xMm}
          />
          {designs.length > 0 && (
            <Choice
              label="The design it makes"
              mayBeEmpty
              placeholder="as agreed, with these parts"
              value={now.designId}
              options={designs.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(designId) => change({ designId })}
              fault={form.faults.designId}
            />
          )}
        </div>
        <TextField
          label="Words to the client"
          value={now.note}
          onChange={(note) => change({ note })}
          fault={form.faults.note}
        />
        <Conflict
          of={offerAddress.changeWish}
          params={{ id: row.id }}
          sending={form.sending}
          theirs={(theirs: AdditionRow) => writtenOf(theirs)}
          done={close}
        />
      </EntryForm>
    </section>
  );
}
