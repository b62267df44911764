import type { ComponentOf, DriveSheet } from '../component/sheets.ts';
import type { Gearbox } from '../vehicle/variant.ts';

export interface CouplingFound {
  readonly wanted: string;
  readonly brought: string;
  readonly direct: boolean;
  /** The adapter that joins them; null when none of those offered does. */
  readonly adapter: ComponentOf<'adapter'> | null;
}

/** Spline and, at a gearbox, bolt pattern of a drive against what the vehicle has, directly or through an adapter. */
export function findCoupling(
  drive: Pick<DriveSheet, 'output' | 'spline' | 'boltPattern'>,
  gearbox: Gearbox,
  adapters: readonly ComponentOf<'adapter'>[],
): CouplingFound {
  const toGearbox = drive.output === 'gearboxInput';
  const wanted = toGearbox ? `${gearbox.spline}, ${gearbox.boltPattern}` : gearbox.shaftSpline;
  const brought = toGearbox ? `${drive.spline}, ${drive.boltPattern}` : drive.spline;
  const adapter = adapters.find(({ sheet }) => {
    const splines =
      sheet.fromSpline === drive.spline && sheet.toSpline === (toGearbox ? gearbox.spline : gearbox.shaftSpline);
    return (
      splines &&
      (!toGearbox || (sheet.fromBoltPattern === drive.boltPattern && sheet.toBoltPattern === gearbox.boltPattern))
    );
  });
  return { wanted, brought, direct: wanted === brought, adapter: adapter ?? null };
}
