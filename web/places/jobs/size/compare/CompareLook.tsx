import { type ReactNode, useMemo } from 'react';
import { createSheet, type FigureSheet } from '../../../../../core/figures/evaluate.ts';
import { FIGURE_GROUP_NAME, type FigureGroup } from '../../../../../core/figures/groups.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { FIGURE_GROUPS } from '../../../../../core/figures/names.ts';
import type { UnitSet } from '../../../../../core/quantity/units.ts';
import { designDifferences } from '../../../../../wording/designDifferences.ts';
import { FIGURE_NAME } from '../../../../../wording/figures.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { amount, FigureValue } from '../../../../widgets/FigureValue.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useShown } from '../../../../widgets/useShown.ts';
import { useOpenJob } from '../../openJob.ts';

const GROUPS: readonly FigureGroup[] = ['pack', 'range', 'road', 'weight', 'charge', 'price'];

interface Row {
  readonly key: string;
  readonly name: string;
  /** Name of the choice in which the designs differ. */
  readonly differs?: string;
  /** One a design; a heading has none. */
  readonly cells?: readonly ReactNode[];
}

/** The figures of a group that any of the designs has, under its heading. */
function figureRows(
  group: FigureGroup,
  columns: readonly { readonly sheet: FigureSheet; readonly design: { readonly id: string } }[],
  set: UnitSet,
): Row[] {
  const known = FIGURE_GROUPS[group]
    .map((id) => ({
      id,
      texts: columns.map(({ sheet }) => {
        const { value, kind } = sheet.get(FIGURES[id]);
        return value === null || !kind ? '' : amount(value, kind, set);
      }),
    }))
    .filter((row) => row.texts.some((text) => text !== '' && !/^0(\.0)?\D*$/.test(text)));
  if (known.length === 0) return [];
  return [
    { key: group, name: FIGURE_GROUP_NAME[group] },
    ...known.map(({ id, texts }) => {
      const differ = new Set(texts).size > 1;
      return {
        key: id,
        name: FIGURE_NAME[id],
        cells: columns.map(({ design, sheet }, i) => (
          <FigureValue key={design.id} id={id} sheet={sheet}>
            <span style={{ fontWeight: differ ? 600 : 400 }}>{texts[i]}</span>
          </FigureValue>
        )),
      };
    }),
  ];
}

/** All designs of the job side by side: what was chosen differently, then every figure, bold where they differ. */
export default function CompareLook() {
  const { job, stored, inputs, slotsOf } = useOpenJob('job', 'stored', 'inputs', 'slotsOf');
  const set = useUnitSet();
  const columns = useMemo(
    () =>
      job.designs.map((design) => {
        const now = design.id === stored?.id ? inputs : design.inputs;
        return { design, inputs: now, sheet: createSheet(slotsOf(now)) };
      }),
    [job.designs, stored, inputs, slotsOf],
  );
  const shown = useShown();
  const choices = designDifferences(
    columns.map((column) => column.inputs),
    shown,
  );
  if (columns.length < 2)
    return (
      <p className="note">There is one design only. Copy it, or make another, and they stand here side by side.</p>
    );
  const rows: Row[] = [
    { key: 'choices', name: 'Chosen differently' },
    ...choices.map((row) => ({
      key: row.name,
      name: row.name,
      differs: row.name,
      cells: row.values.map((value, i) => (
        <span key={i} className="strong wrap">
          {value}
        </span>
      )),
    })),
    ...GROUPS.flatMap((group) => figureRows(group, columns, set)),
  ];
  return (
    <Panel title="Designs side by side" aside="bold where they differ">
      <div className="in" style={{ overflowX: 'auto' }}>
        <DataTable
          label="Designs side by side"
          rows={rows}
          rowKey={(row) => row.key}
          rowMark={(row) => ({
            className: row.cells ? '' : 'heading',
            ...(row.differs ? { 'data-differs': row.differs } : {}),
          })}
          columns={({ words, figures }) => [
            words('Figure', (row) => row.name, {
              span: (row) => (row.cells ? 1 : columns.length + 1),
            }),
            ...columns.map(({ design }, i) =>
              figures(`${design.name}${design.id === job.chosenDesignId ? ', chosen' : ''}`, (row) => row.cells?.[i], {
                span: (row) => (row.cells ? 1 : 0),
              }),
            ),
          ]}
        />
      </div>
    </Panel>
  );
}
