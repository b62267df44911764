import { componentSchemaOf } from '../../../contract/components.ts';
import type { Component } from '../../../core/component/sheets.ts';
import { differences } from '../../../wording/differences.ts';
import { formOf } from '../../../wording/tableVerdict.ts';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { useShown } from '../../widgets/useShown.ts';

/** Two components of a kind beside each other, differences only. */
export function CompareComponents({ components: [a, b] }: { components: readonly [Component, Component] }) {
  const shown = useShown();
  const rows = differences(componentSchemaOf(a.kind), [formOf(a), formOf(b)], shown).filter(
    ({ name }) => name !== 'Name',
  );
  return (
    <Panel title="What differs" aside="only that">
      <div className="in">
        {rows.length === 0 ? (
          <p className="soft">They are alike.</p>
        ) : (
          <DataTable
            label="Differences of two components"
            rows={rows}
            columns={({ words }) => [
              words('What', ({ name }) => name),
              words(a.name, ({ values }) => values[0]),
              words(b.name, ({ values }) => values[1]),
            ]}
          />
        )}
      </div>
    </Panel>
  );
}
