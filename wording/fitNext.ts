import type { Finding, RuleId } from '../core/fit/finding.ts';
import { formatQuantity } from '../core/quantity/format.ts';
import type { UnitSet } from '../core/quantity/units.ts';

/** What to change where it does not fit. */
const INSTEAD: Partial<Record<RuleId, string>> = {
  commonSlide: 'Longer slots, or a cradle made for this variant.',
  shaftAngles: 'Move the drive towards the hub by so much, or joints that turn and slide further.',
  lvBudget: 'A larger converter, or fewer loads at once.',
  movingParts: 'Move the box, take a smaller one, or slide its cradle.',
  linkCurrents: 'Take the next size, or cap torque or power.',
  linkVoltage: 'Take one made for the full pack and its fault.',
  chargeRate: 'A smaller charger, or a limit set in it and proved.',
  boxHolds: 'Fewer modules in this box, or a larger one.',
  revolutions: 'A taller gear, another reduction, or a lower speed agreed.',
  usePower: 'A larger drive, another gear, or a lighter use agreed.',
  coolant: 'A larger pump or radiator.',
  mountLoad: 'Stronger points, another cradle, or a torque cap.',
  weightSchool: 'Move boxes between front and rear.',
  packRate: 'A further string, other modules, or a torque cap.',
  satellites: 'Another main unit.',
  passThroughs: 'A thinner cable, two runs, or another way.',
  inletPlace: 'The inlet for that region.',
  systemVoltage: 'The converter and battery for that voltage.',
  heatAway: 'Add a radiator, or an air-cooled drive.',
  boxSafety: 'Another box: what cannot vent or seal is not fitted.',
  handedness: 'The one made for the other side.',
  boxRetention: 'More or larger bolts, straps, brackets.',
  groundClearance: 'Raise the box, or take a lower one.',
  keptThere: 'Cover it in another way.',
  helpLost: 'Add an electric vacuum pump or steering pump.',
  buses: 'One part commands, all at one rate: change the settings or the part.',
};

/** What is measured, asked or said first. */
const MEASURE: Partial<Record<RuleId, string>> = {
  grossMass: 'Weigh the vehicle: the spare is smaller than library masses can be trusted.',
  axleMass: 'Weigh the vehicle: the spare is smaller than library masses can be trusted.',
  bayMass: 'Weigh the vehicle: the spare is smaller than library masses can be trusted.',
  voltageWindow: 'The design has no whole pack yet.',
  linkCurrents:
    'Ask the maker how long it stands this, and write the points on its sheet. Half a minute at 1.6 times is common practice only.',
  packRate: 'Ask the maker how long the modules give this, and write the points on their sheet.',
  linkVoltage: 'Ask the maker, and write it on the sheet.',
  chargeRate: 'The pack is not whole yet.',
  boxHolds: 'Draw the box, and measure it when it is made.',
  revolutions: 'The tyre or the ratios are not known.',
  usePower: 'The use cannot be driven yet: see Size.',
  coolant: 'The heat is not known yet: see Size.',
  mountLoad: 'Write the points and what they bear into the model.',
  brakes: 'Have a brake specialist look at it, laden and unladen: a review, not a verdict.',
  takenOut: 'Name and weigh what comes out, in the model.',
  drivelineTorque: 'Find the rating of what stays, or measure it at the shaft.',
  movingParts: 'Measure what moves with the suspension, and write it into the model.',
  deadInstruments: 'Name the dials and what moves each, in the model.',
  coupling: 'Measure spline and bolt circle, and write them into sheet and model.',
  mountingPoints: 'Measure the point on this vehicle.',
  boxSafety: 'Ask the supplier, or draw it so where it is made here, and write it on the sheet of the box.',
  boxRetention: 'Say in the kit, or in Size, what holds each box.',
  inletPlace: 'Measure the openings and write them into the model.',
  passThroughs:
    'Measure the passes, say which way they lead, and write them into the model; the connector on the sheet.',
  shaftAngles: 'Measure the travel of the wheels and of the joint, and write them into model and sheet.',
  buses: 'Measure across it while it is dead, and write on the sheets which parts end it.',
  lvBudget: 'List the loads of this vehicle in Size: the usual ones ask for more than it gives.',
  handedness: 'Say in the model which side it is driven from.',
  groundClearance: 'Measure the ground clearance on this vehicle.',
};

/** What to do next about a finding; empty when nothing is to be done. */
export function nextAction({ work, verdict, rule }: Finding, set: UnitSet): string {
  if (work?.capNm)
    return `Cap the motor at ${formatQuantity(work.capNm, 'torque', set)} in software, ${work.hours} h to set and prove.`;
  if (work?.functions)
    return `Settle ${work.functions.length} ${work.functions.length === 1 ? 'gap' : 'gaps'} below before anything is ordered.`;
  if (work && work.hours > 0) return work.step ? `${work.step}: adds ${work.hours} h.` : `Adds ${work.hours} h.`;
  if (verdict === 'measureFirst')
    return MEASURE[rule] ?? 'Measure on this vehicle: the spare is smaller than a drawing can be trusted.';
  if (verdict !== 'doesNotFit') return '';
  const other = INSTEAD[rule];
  if (other) return other;
  if (rule === 'mountingPoints') return 'Use another cradle, or another revision of the kit.';
  if (rule === 'boxInBay' || rule === 'bayMass') return 'Fewer modules in this bay, or another bay.';
  if (rule === 'voltageWindow') return 'Change the number of modules in series, or this component.';
  if (rule === 'newHoles') return 'Ask the client, or find a cradle for this variant.';
  return 'Fewer modules, or less load.';
}
