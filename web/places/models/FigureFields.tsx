import { SOURCES } from '../../../core/quantity/sourced.ts';
import { VEHICLE_FIGURE_IDS, VEHICLE_FIGURES, type VehicleFigureId } from '../../../core/vehicle/vehicleFigures.ts';
import { SOURCE_NAME, VEHICLE_FIGURE_NAME } from '../../../wording/figures.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import type { EditorPart } from './editorPart.ts';

const sources = SOURCES.map((value) => ({ value, label: SOURCE_NAME[value] }));

/** Every figure of a variant with where it comes from. A figure that is typed anew is no guess any more. */
export function FigureFields({ variant, set, faults }: EditorPart) {
  const change = (id: VehicleFigureId, next: Partial<(typeof variant.figures)[VehicleFigureId]>) =>
    set({ figures: { ...variant.figures, [id]: { ...variant.figures[id], ...next } } });
  return (
    <DataTable
      label="Figures of the variant"
      rows={VEHICLE_FIGURE_IDS.map((id) => ({ id }))}
      rowKey={({ id }) => id}
      rowMark={({ id }) => ({ 'data-variant-figure': id, className: '' })}
      columns={({ words }) => [
        words('Figure', ({ id }) => VEHICLE_FIGURE_NAME[id], { width: 240 }),
        words(
          'Value',
          ({ id }) => (
            <QuantityInput
              label={VEHICLE_FIGURE_NAME[id]}
              hideLabel
              kind={VEHICLE_FIGURES[id]}
              value={variant.figures[id].value}
              onChange={(value) =>
                value !== null &&
                value !== variant.figures[id].value &&
                change(id, {
                  value,
                  ...(variant.figures[id].source === 'assumed' ? { source: 'drawing' as const } : {}),
                })
              }
              fault={faults[`figures.${id}.value`]}
              width={220}
            />
          ),
          { width: 260 },
        ),
        words(
          'Source',
          ({ id }) => (
            <Choice
              label={`Source of ${VEHICLE_FIGURE_NAME[id]}`}
              hideLabel
              value={variant.figures[id].source}
              options={sources}
              onChange={(source) => source && change(id, { source })}
            />
          ),
          { width: 200 },
        ),
      ]}
    />
  );
}
