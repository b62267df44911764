import type { FigureId } from '../../../../core/figures/index.ts';
import { FIGURES } from '../../../../core/figures/index.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { FigureValue } from '../../../widgets/FigureValue.tsx';
import { Sheet } from '../../../widgets/Sheet.tsx';
import { useBench } from '../jobBench.ts';

type Row = readonly [name: string, use: FigureId, mild: FigureId, frost: FigureId, aged: FigureId, low: FigureId];

const ROWS: readonly Row[] = [
  ['Daily round', 'consumptionRound', 'rangeRound', 'rangeRoundFrost', 'rangeRoundAged', 'rangeRoundAgedFrost'],
  ['Recorded route', 'consumptionRoute', 'rangeRoute', 'rangeRouteFrost', 'rangeRouteAged', 'rangeRouteAgedFrost'],
  ['R83 cycle', 'consumptionCycle', 'rangeCycle', 'rangeCycleFrost', 'rangeCycleAged', 'rangeCycleAgedFrost'],
  [
    'Steady speed',
    'consumptionConstant',
    'rangeConstant',
    'rangeConstantFrost',
    'rangeConstantAged',
    'rangeConstantAgedFrost',
  ],
];

/** Range never as one proud number: new and 80 % battery, the day of the brief and frost, for every use there is. */
export function RangeSpread() {
  const { sheet, use } = useBench();
  const set = useUnitSet();
  const rows = ROWS.filter((row) => {
    const { reason } = sheet.get(FIGURES[row[2]]);
    return reason !== 'noRoute' && reason !== 'noRound';
  });
  return (
    <Sheet
      title="How far, and how far at worst"
      aside={`usual load; the day of the brief is ${formatQuantity(use.ambientC, 'temperature', set)}`}
    >
      <div className="in" style={{ overflowX: 'auto' }}>
        <table className="list" aria-label="Range with its spread">
          <thead>
            <tr>
              <th>Use</th>
              <th className="num">Consumption</th>
              <th className="num">New</th>
              <th className="num">New, frost</th>
              <th className="num">80 % battery</th>
              <th className="num">80 %, frost</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, ...ids]) => (
              <tr key={name}>
                <td>
                  {name}
                  {name === 'Steady speed' && ` ${formatQuantity(use.constantKmh, 'speed', set)}`}
                </td>
                {ids.map((id) => (
                  <td key={id} className="num">
                    <FigureValue id={id} sheet={sheet} />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <p className="soft small">
          Frost is 0 °C with the cabin held warm, a cold pack and stiff tyres. Rolling and drag of old vehicles are the
          largest doubts: see the measuring list in Vehicle.
        </p>
      </div>
    </Sheet>
  );
}
