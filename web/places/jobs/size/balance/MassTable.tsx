import { massItems } from '../../../../../core/figures/balance/massItems.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';

/** Every mass with its place and moment, as a person would write it down to check by hand. */
export function MassTable() {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const items = sheet.get(massItems).value;
  if (!items) return null;
  return (
    <Panel title="Every mass and its place" aside="x behind the front axle, y right of the middle">
      <div className="in" style={{ overflowX: 'auto' }}>
        <DataTable
          label="Masses"
          rows={items}
          columns={({ words, figures }) => [
            words('What', (item) => item.name),
            figures('Mass', (item) => formatQuantity(item.massKg, 'mass', set, { digits: 1 })),
            figures('x', (item) => formatQuantity(item.xMm, 'length', set)),
            figures('y', (item) => formatQuantity(item.yMm ?? 0, 'length', set)),
            figures('On the rear axle', (item) =>
              formatQuantity((item.massKg * item.xMm) / sheet.slots.vehicle.figures.wheelbase.value, 'mass', set, {
                digits: 1,
              }),
            ),
          ]}
        />
      </div>
    </Panel>
  );
}
