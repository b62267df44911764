import { useCallback, useMemo } from 'react';
import { componentAddress } from '../../../contract/components.ts';
import { KIND_NAME } from '../../../core/component/kinds/index.ts';
import type { ComponentKind } from '../../../core/component/sheets.ts';
import type { ReadTable } from '../../../wording/componentTable.ts';
import { changesOf, finder, verdictOf } from '../../../wording/tableVerdict.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useWorkshop } from '../../data/session.tsx';
import { type JudgedRow, TakeIn, toldChanges, useTableSource } from '../../widgets/TakeIn.tsx';
import { type HowToRead, useReadTable } from '../../widgets/useReadTable.ts';
import { useSend } from '../../widgets/useSend.ts';
import { useShown } from '../../widgets/useShown.ts';

/** Components from a table or a JSON list: looked at row by row before anything is stored, and undone in one press. */
export function TableIn({ kind, onClose }: { kind: ComponentKind; onClose: () => void }) {
  const { data: library } = useOfAddress(componentAddress.ofKind, { kind });
  const { currency } = useWorkshop();
  const shown = useShown();
  const from = useTableSource();
  const sending = useSend(false, { typed: false });
  const how = useCallback<HowToRead<ReadTable>>(
    (readers, text) => readers.components(kind, text, { currency }),
    [kind, currency],
  );
  const table = useReadTable(from.source?.text ?? null, how);
  const read = useMemo(() => {
    if (!table || !library) return null;
    const find = finder(library);
    const rows = table.rows.map((row): JudgedRow => {
      const stored = find(row);
      const verdict = verdictOf(row, stored);
      const say =
        verdict === 'fault'
          ? row.faults.join(' ')
          : verdict === 'changed' && stored
            ? toldChanges(changesOf(row, stored, shown))
            : '';
      return { line: row.line, name: row.name, verdict, say };
    });
    return { rows, fault: table.fault };
  }, [table, library, shown]);
  return (
    <TakeIn
      title={`Take in: ${KIND_NAME[kind]}`}
      what="components"
      from={from}
      read={read}
      busy={sending.busy}
      fault={sending.faults.text}
      onTake={(source) => sending.go(componentAddress.takeIn, { kind }, source)}
      onUndo={(id) => sending.go(componentAddress.undo, { id })}
      onClose={onClose}
    >
      A table (CSV) with the heads of “As CSV”, or a JSON list. Units stand in the heads: “Mass (lb)”, “Peak torque (lb
      ft)”. A row that the library has, by id or name, is changed; others are new.
    </TakeIn>
  );
}
