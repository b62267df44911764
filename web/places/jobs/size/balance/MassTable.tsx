import { massItems } from '../../../../../core/figures/balance/massItems.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { Sheet } from '../../../../widgets/Sheet.tsx';
import { useBench } from '../../jobBench.ts';

/** Every mass with its place and moment, as a person would write it down to check by hand. */
export function MassTable() {
  const { sheet } = useBench();
  const set = useUnitSet();
  const items = sheet.get(massItems).value;
  if (!items) return null;
  return (
    <Sheet title="Every mass and its place" aside="x behind the front axle, y right of the middle">
      <div className="in" style={{ overflowX: 'auto' }}>
        <table className="list" aria-label="Masses">
          <thead>
            <tr>
              <th>What</th>
              <th className="num">Mass</th>
              <th className="num">x</th>
              <th className="num">y</th>
              <th className="num">On the rear axle</th>
            </tr>
          </thead>
          <tbody>
            {items.map((item, i) => (
              <tr key={i}>
                <td>{item.name}</td>
                <td className="num">{formatQuantity(item.massKg, 'mass', set, { digits: 1 })}</td>
                <td className="num">{formatQuantity(item.xMm, 'length', set)}</td>
                <td className="num">{formatQuantity(item.yMm ?? 0, 'length', set)}</td>
                <td className="num">
                  {formatQuantity((item.massKg * item.xMm) / sheet.slots.vehicle.figures.wheelbase.value, 'mass', set, {
                    digits: 1,
                  })}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Sheet>
  );
}
