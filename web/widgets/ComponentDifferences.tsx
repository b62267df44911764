import { componentSchemaOf } from '../../contract/components.ts';
import type { Component } from '../../core/component/sheets.ts';
import { type DifferenceRow, differences } from '../../wording/differences.ts';
import { formOf } from '../../wording/tableVerdict.ts';
import { DataTable } from './DataTable.tsx';
import { useShown } from './useShown.ts';

/** From so many values of one list on, how many differ is told, not each. */
const TOLD_ONE_BY_ONE = 4;

/** Without the word for the sheet, and without the places in a list. */
const plain = (name: string) => name.replace(/^Sheet, /, '');
const listOf = (name: string) => plain(name).replace(/, \d+(, .*)?$/, '');

/** Curves and maps are told in one row each: nobody compares forty numbers by eye. */
function gathered(rows: readonly DifferenceRow[]): DifferenceRow[] {
  const lists = new Map<string, DifferenceRow[]>();
  for (const row of rows) lists.set(listOf(row.name), [...(lists.get(listOf(row.name)) ?? []), row]);
  return [...lists].flatMap(([name, mine]) => {
    if (mine.length < TOLD_ONE_BY_ONE) return mine.map((row) => ({ ...row, name: plain(row.name) }));
    const side = (i: number) => {
      const there = mine.filter(({ values }) => values[i] !== 'none').length;
      return there === 0 ? 'none' : `${there} values of its own`;
    };
    return [{ name, values: [side(0), side(1)] }];
  });
}

/** What one component has otherwise than another of its kind: differences only. */
export function ComponentDifferences({ components: [a, b] }: { components: readonly [Component, Component] }) {
  const shown = useShown();
  const rows = gathered(
    differences(componentSchemaOf(a.kind), [formOf(a), formOf(b)], shown).filter(({ name }) => name !== 'Name'),
  );
  if (rows.length === 0) return <p className="soft">They are alike.</p>;
  return (
    <DataTable
      label="Differences of two components"
      rows={rows}
      columns={({ words }) => [
        words('What', ({ name }) => name),
        words(a.name, ({ values }) => values[0]),
        words(b.name, ({ values }) => values[1]),
      ]}
    />
  );
}
