import { Checkbox } from 'antd';
import type { SearchSpace } from '../../../../../core/search/space.ts';
import { Labelled } from '../../../../widgets/Labelled.tsx';
import { QuantityInput } from '../../../../widgets/QuantityInput.tsx';
import { useBayName } from '../../bayName.ts';
import { useOpenJob } from '../../openJob.ts';

/** What the search may choose from: modules, drives, chargers, and how many into each bay. */
export function SpaceFields({
  whole,
  space,
  onChange,
}: {
  whole: SearchSpace;
  space: SearchSpace;
  onChange: (change: Partial<SearchSpace>) => void;
}) {
  const { shelves, vehicle } = useOpenJob('shelves', 'vehicle');
  const bayName = useBayName(vehicle);
  const name = (id: string) => shelves.components.get(id)?.name ?? id;
  return (
    <div className="stack" style={{ paddingTop: 8 }}>
      <Tick
        label="Modules"
        all={whole.modules.map((one) => one.moduleId)}
        on={space.modules.map((one) => one.moduleId)}
        name={name}
        onChange={(ids) => onChange({ modules: whole.modules.filter((one) => ids.includes(one.moduleId)) })}
      />
      <Tick
        label="Drives that couple"
        all={whole.drives.map((one) => one.driveId)}
        on={space.drives.map((one) => one.driveId)}
        name={name}
        onChange={(ids) => onChange({ drives: whole.drives.filter((one) => ids.includes(one.driveId)) })}
      />
      <Tick
        label="Chargers"
        all={whole.chargerIds.flatMap((id) => id ?? [])}
        on={space.chargerIds.flatMap((id) => id ?? [])}
        name={name}
        onChange={(ids) => onChange({ chargerIds: ids })}
      />
      <div className="fields">
        {space.bays.map((bay, i) => (
          <QuantityInput
            key={bay.bay}
            label={`At most in ${bayName(bay.bay)}`}
            kind="count"
            value={bay.most}
            onChange={(most) =>
              most !== null &&
              most >= 0 &&
              onChange({
                bays: space.bays.map((one, k) =>
                  k === i ? { ...one, most: Math.min(Math.round(most), whole.bays[i]?.most ?? 0) } : one,
                ),
              })
            }
          />
        ))}
      </div>
    </div>
  );
}

function Tick({
  label,
  all,
  on,
  name,
  onChange,
}: {
  label: string;
  all: readonly string[];
  on: readonly string[];
  name: (id: string) => string;
  onChange: (ids: string[]) => void;
}) {
  return (
    <Labelled label={label}>
      <Checkbox.Group
        value={[...on]}
        options={all.map((id) => ({ value: id, label: name(id) }))}
        onChange={(ids) => onChange(ids.map(String))}
      />
    </Labelled>
  );
}
