import { useMemo, useState } from 'react';
import type { KitSheet } from '../../../contract/kits.ts';
import { USUAL_USE } from '../../../core/job/usualUse.ts';
import type { KitRevision } from '../../../core/kit/kit.ts';
import { type OptionEffect, optionEffects } from '../../../core/kit/optionEffects.ts';
import { formatHours, formatQuantity } from '../../../core/quantity/format.ts';
import type { QuantityKind } from '../../../core/quantity/kinds.ts';
import { vehicleState } from '../../../core/vehicle/state.ts';
import type { Variant } from '../../../core/vehicle/variant.ts';
import type { Shelves } from '../../data/resources.ts';
import { useUnitSet } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { countTaken } from './sold.ts';
import { useKitWork } from './useKitWork.ts';

interface Props {
  readonly kit: KitSheet;
  readonly revision: KitRevision;
  readonly variants: readonly Variant[];
  readonly shelves: Shelves;
}

type FigureName = Exclude<keyof OptionEffect['figures'], 'partsCents'>;

/** A figure of the kit: which kind it is, and whether more of it is better. */
const COLUMNS: readonly (readonly [FigureName, string, QuantityKind, 1 | -1 | 0])[] = [
  ['rangeKm', 'Range', 'distance', 1],
  ['luggageL', 'Luggage', 'volume', 1],
  ['chargeH', 'Full charge', 'hours', -1],
  ['massKg', 'Unladen', 'mass', -1],
  ['hours', 'Hours', 'hours', -1],
  ['priceCents', 'Price with tax', 'money', 0],
];

/** What the kit comes to on a variant, and what each option changes of that. */
export function OptionsPanel({ kit, revision, variants, shelves }: Props) {
  const set = useUnitSet();
  const work = useKitWork();
  const [chosen, setChosen] = useState(variants[0]?.id ?? null);
  const variant = variants.find(({ id }) => id === chosen);
  const effects = useMemo(
    () =>
      variant
        ? optionEffects({
            revision,
            library: shelves.components,
            vehicle: vehicleState(variant, {}, null),
            use: USUAL_USE,
            work,
          })
        : [],
    [variant, revision, shelves, work],
  );
  const taken = countTaken(kit);
  const plain = effects[0];
  const shown = (kind: QuantityKind, value: number | null) =>
    value === null ? 'not known' : kind === 'hours' ? formatHours(value) : formatQuantity(value, kind, set);
  const changed = (effect: OptionEffect, [name, , kind, better]: (typeof COLUMNS)[number]) => {
    const [a, b] = [plain?.figures[name] ?? null, effect.figures[name]];
    if (a === null || b === null) return shown(kind, b);
    const diff = b - a;
    if (Math.abs(diff) < 1e-6) return <span className="soft">–</span>;
    const text =
      kind === 'hours'
        ? `${diff > 0 ? '+' : '−'}${formatHours(Math.abs(diff))}`
        : formatQuantity(diff, kind, set, { signed: true });
    const tone = better === 0 ? '' : diff * better > 0 ? 'pass' : 'stop';
    return <span className={tone}>{text}</span>;
  };
  return (
    <Panel
      title="What it comes to"
      aside={
        <div style={{ width: 220 }}>
          <Choice
            label="On the variant"
            hideLabel
            value={chosen}
            options={variants.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={setChosen}
          />
        </div>
      }
    >
      <div className="in">
        {variants.length === 0 ? (
          <p className="soft">The library has no variant of the {kit.modelName}.</p>
        ) : (
          <DataTable
            label="What each option does"
            rows={effects}
            rowKey={({ option }) => option ?? 'as it is'}
            rowMark={({ option }) => ({ 'data-option': option ?? 'as it is' })}
            columns={({ words, figures }) => [
              words('Option', ({ option }) =>
                option === null ? (
                  <strong>as it is</strong>
                ) : (
                  (revision.options.find(({ id }) => id === option)?.name ?? option)
                ),
              ),
              figures('Taken', ({ option }) =>
                option === null ? '' : `${taken.times.get(option) ?? 0} of ${taken.of}`,
              ),
              ...COLUMNS.map((column) =>
                figures(column[1], (effect) =>
                  effect.option === null ? shown(column[2], effect.figures[column[0]]) : changed(effect, column),
                ),
              ),
            ]}
          />
        )}
        <p className="soft small">
          Range at {formatQuantity(USUAL_USE.constantKmh, 'speed', set)} with{' '}
          {formatQuantity(USUAL_USE.payloadKg, 'mass', set)} aboard, charge from an ordinary socket, the library’s
          vehicle, nothing measured.
        </p>
      </div>
    </Panel>
  );
}
