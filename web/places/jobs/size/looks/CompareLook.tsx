import { useMemo } from 'react';
import { createSheet } from '../../../../../core/figures/evaluate.ts';
import { FIGURE_GROUP_NAME, type FigureGroup } from '../../../../../core/figures/groups.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { FIGURE_GROUPS } from '../../../../../core/figures/names.ts';
import { designDifferences } from '../../../../../wording/designDifferences.ts';
import { FIGURE_NAME } from '../../../../../wording/figures.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { amount, FigureValue } from '../../../../widgets/FigureValue.tsx';
import { Sheet } from '../../../../widgets/Sheet.tsx';
import { useShown } from '../../../../widgets/useShown.ts';
import { useBench } from '../../jobBench.ts';

const GROUPS: readonly FigureGroup[] = ['pack', 'range', 'road', 'weight', 'charge', 'price'];

/** All designs of the job side by side: what was chosen differently, then every figure, bold where they differ. */
export default function CompareLook() {
  const { job, stored, inputs, slotsOf } = useBench();
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
  return (
    <Sheet title="Designs side by side" aside="bold where they differ">
      <div className="in" style={{ overflowX: 'auto' }}>
        <table className="list">
          <thead>
            <tr>
              <th>Figure</th>
              {columns.map(({ design }) => (
                <th key={design.id} className="num">
                  {design.name}
                  {design.id === job.chosenDesignId ? ', chosen' : ''}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <th colSpan={columns.length + 1}>Chosen differently</th>
            </tr>
            {choices.map((row) => (
              <tr key={row.name} data-differs={row.name}>
                <td>{row.name}</td>
                {row.values.map((value, i) => (
                  <td key={i} className="num wrap strong">
                    {value}
                  </td>
                ))}
              </tr>
            ))}
            {GROUPS.map((group) => {
              const rows = FIGURE_GROUPS[group].map((id) => ({
                id,
                texts: columns.map(({ sheet }) => {
                  const { value, kind } = sheet.get(FIGURES[id]);
                  return value === null || !kind ? '' : amount(value, kind, set);
                }),
              }));
              const known = rows.filter((row) => row.texts.some((text) => text !== '' && !/^0(\.0)?\D*$/.test(text)));
              if (known.length === 0) return null;
              return [
                <tr key={group}>
                  <th colSpan={columns.length + 1}>{FIGURE_GROUP_NAME[group]}</th>
                </tr>,
                ...known.map(({ id, texts }) => {
                  const differ = new Set(texts).size > 1;
                  return (
                    <tr key={id}>
                      <td>{FIGURE_NAME[id]}</td>
                      {columns.map(({ design, sheet }, i) => (
                        <td key={design.id} className="num">
                          <FigureValue id={id} sheet={sheet}>
                            <span style={{ fontWeight: differ ? 600 : 400 }}>{texts[i]}</span>
                          </FigureValue>
                        </td>
                      ))}
                    </tr>
                  );
                }),
              ];
            })}
          </tbody>
        </table>
      </div>
    </Sheet>
  );
}
