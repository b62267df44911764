import { type DesignInputs, driveChoice, electricChoice } from '../../../../core/design/inputs.ts';

export interface ChoiceRow {
  readonly name: string;
  readonly values: readonly string[];
}

const onOff = (value: boolean) => (value ? 'yes' : 'no');
const orNone = (value: number | null | undefined, unit = '') => (value == null ? 'none' : `${value}${unit}`);

/** Every choice of a design in words, in the order of the panels. */
function choicesOf(inputs: DesignInputs, name: (id: string | null) => string): readonly (readonly [string, string])[] {
  const drive = driveChoice(inputs);
  const electric = electricChoice(inputs);
  const box = (one: DesignInputs['boxes'][number]) => {
    const shifts = [one.shiftMm, one.shiftYMm ?? 0, one.shiftZMm ?? 0];
    return [
      `${one.modules} ${one.bay}`,
      shifts.some((mm) => mm !== 0) ? `shifted ${shifts.join('/')} mm` : '',
      one.moduleId ? name(one.moduleId) : '',
      one.parallel ? `${one.parallel} in parallel` : '',
      one.pack === 2 ? 'second pack' : '',
    ]
      .filter(Boolean)
      .join(', ');
  };
  return [
    ['Module', name(inputs.moduleId)],
    ['Modules in bays', inputs.boxes.map(box).join('; ') || 'none'],
    ['Parallel strings', String(inputs.strings)],
    ['Packs', inputs.packs ?? 'one'],
    ['Capacity measured', orNone(inputs.measuredAh, ' Ah')],
    ['Usable share', `${Math.round(inputs.usableShare * 100)} %`],
    ['Pack cooling', inputs.packCooling ?? 'air'],
    ['Drive', `${drive.motors > 1 ? '2 × ' : ''}${name(inputs.driveId)}`],
    ['Inverter', name(inputs.inverterId)],
    ['Gear', orNone(inputs.gear)],
    ['Changes gear', onOff(drive.shifting)],
    ['Reduction', drive.reduction === null ? 'the drive’s own' : `${drive.reduction} : 1`],
    ['Transfer case', drive.transferLow ? 'low' : 'high'],
    ['Torque cap', orNone(inputs.torqueCapNm, ' N·m')],
    ['Power cap', orNone(drive.powerCapW, ' W')],
    ['Efficiency', drive.efficiency === null ? 'by the sheet' : `${Math.round(drive.efficiency * 100)} %`],
    ['Torque curve', drive.curve ? `${drive.curve.length} points typed` : 'by the sheet'],
    ['Braking through the motor', `${Math.round(drive.regenShare * 100)} %`],
    ['Power put back', orNone(drive.regenPowerW, ' W')],
    ['Nothing put back above', `${Math.round(drive.regenCeiling * 100)} %`],
    ['Charger', name(inputs.chargerId)],
    ['Inlet', name(inputs.inletId)],
    ['DC power', orNone(inputs.dcMaxW, ' W')],
    ['Precharge', `${electric.prechargeS} s to ${Math.round(electric.prechargeShare * 100)} %`],
    ['Cable', `${electric.cableLengthM} m, drop ${(electric.cableDrop * 100).toFixed(1)} %, ${electric.cableC} °C`],
    [
      'Cables carry',
      Object.entries(electric.ampacity)
        .map(([id, amps]) => `${name(id)} ${amps} A`)
        .join(', ') || 'by the sheet',
    ],
    ['Low-voltage loads', electric.lvLoads ? `${electric.lvLoads.length} listed` : 'usual'],
    ['Other parts', inputs.others.map((part) => `${part.quantity} × ${name(part.componentId)}`).join(', ') || 'none'],
    ['Items', (inputs.items ?? []).map((item) => `${item.name} ${item.massKg} kg`).join(', ') || 'none'],
  ];
}

/** The choices in which designs differ; all of them alike gives none. */
export function designDifferences(designs: readonly DesignInputs[], name: (id: string | null) => string): ChoiceRow[] {
  const columns = designs.map((inputs) => choicesOf(inputs, name));
  return (columns[0] ?? []).flatMap(([row], i) => {
    const values = columns.map((column) => column[i]![1]);
    return new Set(values).size > 1 ? [{ name: row, values }] : [];
  });
}
