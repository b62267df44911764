import type { ComponentOf, DriveSheet } from '../component/sheets.ts';
import type { Gearbox } from '../vehicle/variant.ts';

export interface CouplingFound {
  readonly wanted: string;
  readonly brought: string;
  /** Both sides say what they are: two that say nothing are not alike. */
  readonly known: boolean;
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
  const words = (...parts: readonly string[]) => parts.map((one) => one.trim());
  const has = toGearbox ? words(gearbox.spline, gearbox.boltPattern) : words(gearbox.shaftSpline);
  const gives = toGearbox ? words(drive.spline, drive.boltPattern) : words(drive.spline);
  const said = (parts: readonly string[]) => parts.filter((one) => one !== '').join(', ');
  const [wanted, brought] = [said(has), said(gives)];
  const known = [...has, ...gives].every((one) => one !== '');
  const adapter = adapters.find(({ sheet }) => {
    const splines =
      sheet.fromSpline === drive.spline && sheet.toSpline === (toGearbox ? gearbox.spline : gearbox.shaftSpline);
    return (
      splines &&
      (!toGearbox || (sheet.fromBoltPattern === drive.boltPattern && sheet.toBoltPattern === gearbox.boltPattern))
    );
  });
  return { wanted, brought, known, direct: known && wanted === brought, adapter: known ? (adapter ?? null) : null };
}
