import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { kitAddress } from '../../../contract/kits.ts';
import { useLibrary } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

interface Props {
  /** The revision a sister kit starts from; null: an empty one. */
  readonly from: { readonly id: string; readonly name: string } | null;
  readonly done: () => void;
}

/** Begins a kit: empty, or as a sister of one that is there, to be changed where it differs. */
export function NewKit({ from, done }: Props) {
  const { shelves } = useLibrary();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [variantId, setVariantId] = useState<string | null>(null);
  const form = useChecked(kitAddress.add, {}, { name, variantId: variantId ?? '', from: from?.id ?? null });
  // One entry a model: a kit is for a model, its lines say which variants.
  const models = new Map((shelves?.data.models ?? []).map((one) => [`${one.makerName} ${one.modelName}`, one.id]));
  const begin = async () => {
    const made = await form.save();
    if (made) navigate(`/kits/${made.kit}?rev=A`);
  };
  return (
    <Panel title={from ? `A sister of ${from.name}` : 'A new kit'} aside="begun as draft A">
      <div className="in">
        <EntryForm
          save="Begin it"
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void begin()}
          beside={
            <Button type="text" onClick={done}>
              Not now
            </Button>
          }
        >
          <div className="fields">
            <TextField label="Name of the kit" value={name} onChange={setName} fault={form.faults.name} />
            <Choice
              label="For the model"
              value={variantId}
              options={[...models].map(([label, value]) => ({ value, label }))}
              onChange={setVariantId}
              fault={form.faults.variantId}
            />
          </div>
          {from && (
            <p className="soft small">
              Lines, boxes, cover and stages are copied; change what differs, and see it beside {from.name} line by
              line.
            </p>
          )}
        </EntryForm>
      </div>
    </Panel>
  );
}
