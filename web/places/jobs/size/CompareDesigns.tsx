import { useMemo } from 'react';
import { createSheet } from '../../../../core/figures/evaluate.ts';
import { FIGURES, type FigureId } from '../../../../core/figures/index.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { amount, FigureValue } from '../../../widgets/FigureValue.tsx';
import { Sheet } from '../../../widgets/Sheet.tsx';
import { FIGURE_NAME } from '../../../wording/figures.ts';
import { useBench } from '../jobBench.ts';

const ROWS: readonly FigureId[] = [
  'packModules',
  'packVoltageEmpty',
  'packVoltageFull',
  'packUsable',
  'rangeRound',
  'rangeCycle',
  'time0to50',
  'topSpeed',
  'hillStart',
  'addedMass',
  'grossMassNow',
  'frontShare',
  'chargeTime',
  'jobPrice',
];

/** All designs of the job side by side; a row whose figures differ is set in bold. */
export function CompareDesigns() {
  const { job, stored, inputs, slotsOf } = useBench();
  const set = useUnitSet();
  const columns = useMemo(
    () =>
      job.designs.map((design) => ({
        design,
        sheet: createSheet(slotsOf(design.id === stored?.id ? inputs : design.inputs)),
      })),
    [job.designs, stored, inputs, slotsOf],
  );
  if (columns.length < 2) return null;
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
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ROWS.map((id) => {
              const texts = columns.map(({ sheet }) => {
                const { value, kind } = sheet.get(FIGURES[id]);
                return value === null || !kind ? '' : amount(value, kind, set);
              });
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
            })}
          </tbody>
        </table>
      </div>
    </Sheet>
  );
}
