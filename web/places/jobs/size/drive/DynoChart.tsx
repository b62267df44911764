import { useMemo } from 'react';
import { type CurvePoint, type MotorLimits, motorTorque } from '../../../../../core/drive/motorCurve.ts';
import { toShown, unitOf } from '../../../../../core/quantity/units.ts';
import { CHART } from '../../../../app/theme.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { LineChart, type Series } from '../../../../widgets/LineChart.tsx';

/** A measured curve as it was read, and what had been computed until then. */
export interface Laid {
  readonly measured: readonly CurvePoint[];
  readonly computed: MotorLimits | null;
}

const STEPS = 60;

/** The dynamometer's curve laid over the computed one. */
export function DynoChart({ measured, computed }: Laid) {
  const set = useUnitSet();
  const series = useMemo<Series[]>(() => {
    const at = (rpm: number, nm: number) => ({ x: rpm, y: toShown(nm, 'torque', set) });
    const most = Math.max(measured.at(-1)!.rpm, computed?.maxRpm ?? 0);
    const measuredLine = {
      label: 'measured',
      points: measured.map(({ rpm, peakNm }) => at(rpm, peakNm)),
      colour: CHART.primary,
      width: 3,
    };
    if (!computed) return [measuredLine];
    const line = Array.from({ length: STEPS + 1 }, (_, i) => {
      const rpm = (most * i) / STEPS;
      return at(rpm, motorTorque(computed, rpm));
    });
    return [measuredLine, { label: 'computed', points: line, colour: CHART.wait, dash: [6, 4] }];
  }, [measured, computed, set]);
  return (
    <LineChart
      name="dynamometer"
      say="Torque by motor speed as measured on a dynamometer, over what was computed"
      series={series}
      x={{ label: 'rpm', min: 0 }}
      y={{ label: unitOf('torque', set).symbol, min: 0 }}
      height={200}
    />
  );
}
