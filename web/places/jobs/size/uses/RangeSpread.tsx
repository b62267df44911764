import type { FigureId } from '../../../../../core/figures/index.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { type DrivenUse, USE_RUNS } from '../../../../../core/figures/road/useRuns.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { FigureValue } from '../../../../widgets/FigureValue.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';

interface Row {
  readonly name: string;
  /** The run behind it; null: no run, a steady speed. */
  readonly driven: DrivenUse | null;
  /** Consumption, then range new, new in frost, aged, aged in frost. */
  readonly ids: readonly [FigureId, FigureId, FigureId, FigureId, FigureId];
}

const ROWS: readonly Row[] = [
  {
    name: 'Daily round',
    driven: 'round',
    ids: ['consumptionRound', 'rangeRound', 'rangeRoundFrost', 'rangeRoundAged', 'rangeRoundAgedFrost'],
  },
  {
    name: 'Recorded route',
    driven: 'route',
    ids: ['consumptionRoute', 'rangeRoute', 'rangeRouteFrost', 'rangeRouteAged', 'rangeRouteAgedFrost'],
  },
  {
    name: 'R83 cycle',
    driven: 'cycle',
    ids: ['consumptionCycle', 'rangeCycle', 'rangeCycleFrost', 'rangeCycleAged', 'rangeCycleAgedFrost'],
  },
  {
    name: 'Steady speed',
    driven: null,
    ids: ['consumptionConstant', 'rangeConstant', 'rangeConstantFrost', 'rangeConstantAged', 'rangeConstantAgedFrost'],
  },
];

/** Range never as one proud number: new and 80 % battery, the day of the brief and frost, for every use there is. */
export function RangeSpread() {
  const { sheet, use } = useOpenJob('sheet', 'use');
  const set = useUnitSet();
  const rows = ROWS.filter((row) => {
    const { reason } = sheet.get(FIGURES[row.ids[1]]);
    return reason !== 'noRoute' && reason !== 'noRound';
  });
  return (
    <Panel
      title="How far, and how far at worst"
      aside={`usual load; the day of the brief is ${formatQuantity(use.ambientC, 'temperature', set)}`}
    >
      <div className="in" style={{ overflowX: 'auto' }}>
        <DataTable
          label="Range with its spread"
          rows={rows}
          rowKey={(row) => row.name}
          columns={({ words, figures }) => [
            words('Use', ({ name, driven }) => (
              <>
                {name}
                {driven === null && ` ${formatQuantity(use.constantKmh, 'speed', set)}`}
                {driven !== null && <TooWeak driven={driven} />}
              </>
            )),
            ...['Consumption', 'New', 'New, frost', '80 % battery', '80 %, frost'].map((title, i) =>
              figures(title, ({ ids }) => <FigureValue id={ids[i]!} sheet={sheet} />),
            ),
          ]}
        />
        <p className="soft small">
          Frost is 0 °C with the cabin held warm, a cold pack and stiff tyres. Rolling and drag of old vehicles are the
          largest doubts: see the measuring list in Vehicle.
        </p>
      </div>
    </Panel>
  );
}

/** Says so where the drive cannot keep up: the range is then for a slower run than the use asks. */
function TooWeak({ driven }: { driven: DrivenUse }) {
  const { sheet } = useOpenJob('sheet');
  const run = sheet.get(USE_RUNS[driven].mild).value;
  if (!run || run.shortS === 0) return null;
  return (
    <div className="small wait">
      drive too weak for {run.shortS} of {run.durationS} s
    </div>
  );
}
