import { useState } from 'react';
import { type KitSheet, kitAddress } from '../../../contract/kits.ts';
import { hasRole } from '../../../contract/rights.ts';
import { breakEven } from '../../../core/kit/breakEven.ts';
import { practiceOf } from '../../../core/practice/practice.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import type { Shelves } from '../../data/resources.ts';
import { usePerson, useUnitSet, useWorkshop } from '../../data/session.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { partsCents } from './kitMoney.ts';
import { countSold } from './sold.ts';

/** What the kit is called, what it cost to make ready, and when it has paid for that. */
export function KitFacts({ kit, shelves }: { kit: KitSheet; shelves: Shelves }) {
  const { role } = usePerson();
  const set = useUnitSet();
  const { marginShare } = practiceOf(useWorkshop().practice);
  const may = hasRole(role, kitAddress.change.may);
  const [draft, setDraft] = useState({ name: kit.name, developmentCents: kit.developmentCents });
  const form = useChecked(kitAddress.change, { kit: kit.id }, { ...draft, version: kit.version });
  const newest = kit.revisions.find(({ state }) => state === 'released') ?? kit.revisions[0];
  const variant = shelves.data.variants.find(({ modelName }) => modelName === kit.modelName);
  const paid =
    newest && variant
      ? breakEven(kit.developmentCents, partsCents(newest, shelves.components, variant.id), marginShare, countSold(kit))
      : null;
  const money = (cents: number) => formatQuantity(cents, 'money', set);
  return (
    <Panel title="Has it paid for itself?">
      <div className="in stack">
        {paid && (
          <p className="small" data-break-even>
            Each leaves {money(paid.eachCents)} of its parts’ margin.{' '}
            {paid.kits === null
              ? 'With nothing left of each it never pays.'
              : paid.leftCents <= 0
                ? `Paid for with the ${ordinal(paid.kits)}; ${money(-paid.leftCents)} earned since.`
                : `Paid for with the ${ordinal(paid.kits)}; ${paid.sold} sold, ${money(paid.leftCents)} to go.`}
          </p>
        )}
        <EntryForm
          key={kit.version}
          small
          {...(may ? { save: 'Save' } : {})}
          disabled={!may}
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void form.save()}
        >
          <div className="fields">
            <TextField
              label="Name of the kit"
              value={draft.name}
              onChange={(name) => setDraft((now) => ({ ...now, name }))}
              fault={form.faults.name}
            />
            <QuantityInput
              label="Development cost"
              kind="money"
              value={draft.developmentCents}
              onChange={(cents) =>
                cents !== null && setDraft((now) => ({ ...now, developmentCents: Math.round(cents) }))
              }
              fault={form.faults.developmentCents}
            />
          </div>
        </EntryForm>
        <Conflict
          of={kitAddress.change}
          params={{ kit: kit.id }}
          sending={form.sending}
          theirs={({ name, developmentCents, version }: KitSheet) => ({ name, developmentCents, version })}
          done={() => setDraft({ name: kit.name, developmentCents: kit.developmentCents })}
        />
      </div>
    </Panel>
  );
}

const ordinal = (n: number): string => {
  const tens = n % 100;
  const ending = tens > 10 && tens < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${ending}`;
};
