import { SOURCES } from '../../../core/quantity/sourced.ts';
import type { Bay, MountingPoint } from '../../../core/vehicle/variant.ts';
import { SOURCE_NAME } from '../../../wording/figures.ts';
import { type RowField, RowsEditor } from '../../widgets/RowsEditor.tsx';
import { type EditorPart, faultsBelow } from './editorPart.ts';
import type { Chosen } from './VariantDrawing.tsx';

const SOURCE = Object.fromEntries(SOURCES.map((source) => [source, SOURCE_NAME[source]]));
const POSITION = [
  { key: 'xMm', label: 'Behind the front axle', type: 'length' },
  { key: 'yMm', label: 'Right of the middle', type: 'length' },
  { key: 'zMm', label: 'Above the ground', type: 'length' },
] as const;
const BAY: readonly RowField<Bay>[] = [
  { key: 'name', label: 'Name of the bay', type: 'text' },
  ...POSITION,
  { key: 'lengthMm', label: 'Length', type: 'length' },
  { key: 'widthMm', label: 'Width', type: 'length' },
  { key: 'heightMm', label: 'Height', type: 'length' },
  { key: 'maxMassKg', label: 'Bears', type: 'mass' },
  { key: 'access', label: 'Reached by', type: 'text' },
  { key: 'inside', label: 'Inside with people', type: 'flag' },
  { key: 'source', label: 'Source', type: SOURCE },
];
const POINT: readonly RowField<MountingPoint>[] = [
  { key: 'name', label: 'Name of the point', type: 'text' },
  ...POSITION,
  { key: 'thread', label: 'Thread', type: 'text' },
  { key: 'usedFor', label: 'What used to hang there', type: 'text' },
  { key: 'loadN', label: 'Bears', type: 'force' },
  { key: 'source', label: 'Source', type: SOURCE },
];

/** A key nothing in the list has yet: "bay-3". It stays when the name changes. */
function freshKey(word: string, taken: readonly { readonly key: string }[]): string {
  for (let n = taken.length + 1; ; n++) if (!taken.some(({ key }) => key === `${word}-${n}`)) return `${word}-${n}`;
}

/** Bays or mounting points, each with its place; the one chosen on the drawing is marked. */
export function PlaceFields({
  variant,
  set,
  faults,
  list,
  chosen,
}: EditorPart & { list: Chosen['list']; chosen: Chosen | null }) {
  const { figures, bays, mountingPoints } = variant;
  const middle = { xMm: Math.round(figures.wheelbase.value / 2), yMm: 0 };
  const at = chosen?.list === list ? chosen.at : null;
  if (list === 'bays')
    return (
      <RowsEditor
        what="bay"
        rows={bays}
        fields={BAY}
        chosen={at}
        faults={faultsBelow(faults, 'bays')}
        onChange={(next) => set({ bays: next })}
        start={() => ({
          key: freshKey('bay', bays),
          name: `bay ${bays.length + 1}`,
          ...middle,
          zMm: Math.round(figures.groundClearance.value + 250),
          ...{ lengthMm: 600, widthMm: 700, heightMm: 300, maxMassKg: 120, inside: false, access: '' },
          source: 'assumed' as const,
        })}
      />
    );
  return (
    <RowsEditor
      what="point"
      rows={mountingPoints}
      fields={POINT}
      chosen={at}
      faults={faultsBelow(faults, 'mountingPoints')}
      onChange={(next) => set({ mountingPoints: next })}
      start={() => ({
        key: freshKey('point', mountingPoints),
        name: `point ${mountingPoints.length + 1}`,
        ...middle,
        zMm: Math.round(figures.groundClearance.value + 150),
        ...{ thread: 'M12', usedFor: '', loadN: 9000 },
        source: 'assumed' as const,
      })}
    />
  );
}
