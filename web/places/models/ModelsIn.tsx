import { useMemo } from 'react';
import { variantAddress, variantSchema } from '../../../contract/variants.ts';
import { newestOnly } from '../../../core/vehicle/revisions.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import { differences } from '../../../wording/differences.ts';
import { bodyOfVariant, type ReadVariants, variantFinder, variantVerdict } from '../../../wording/variantTable.ts';
import { type JudgedRow, TakeIn, toldChanges, useTableSource } from '../../widgets/TakeIn.tsx';
import { type HowToRead, useReadTable } from '../../widgets/useReadTable.ts';
import { useSend } from '../../widgets/useSend.ts';
import { useShown } from '../../widgets/useShown.ts';
import { told } from '../../widgets/VariantDifferences.tsx';

const readModels: HowToRead<ReadVariants> = (readers, text) => readers.models(text);

/** Models from a table or a file of another workshop: looked at one by one before anything is stored, undone in one press. */
export function ModelsIn({ variants, onClose }: { variants: readonly Variant[]; onClose: () => void }) {
  const shown = useShown();
  const from = useTableSource();
  const sending = useSend(false, { typed: false });
  const table = useReadTable(from.source?.text ?? null, readModels);
  const read = useMemo(() => {
    if (!table) return null;
    const { rows, fault } = table;
    const find = variantFinder(newestOnly(variants));
    const judged = rows.map((row): JudgedRow => {
      const stored = find(row);
      const verdict = variantVerdict(row, stored);
      const say = () => {
        if (verdict === 'fault') return row.faults.join(' ');
        if (verdict !== 'changed' || !stored || !row.variant) return '';
        const changes = differences(variantSchema, [bodyOfVariant(stored), row.variant], shown);
        return toldChanges(changes.map((one) => ({ ...one, name: told(one.name) })));
      };
      return { line: row.line, name: row.name, verdict, say: say() };
    });
    return { rows: judged, fault };
  }, [table, variants, shown]);
  return (
    <TakeIn
      title="Take in: vehicle models"
      what="models"
      from={from}
      read={read}
      busy={sending.busy}
      fault={sending.faults.text}
      onTake={(source) => sending.go(variantAddress.takeIn, {}, source)}
      onUndo={(id) => sending.go(variantAddress.undo, { id })}
      onClose={onClose}
    >
      A table (CSV) with the heads of “As CSV”, or a file of models. Units stand in the heads: “Wheelbase (in)”. A model
      of the same maker, model and variant is changed, as a new revision where vehicles are of it; others are new.
    </TakeIn>
  );
}
