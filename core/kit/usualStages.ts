import type { StageTemplate } from './kit.ts';
import { measure, see, stage, torque } from './stageMakers.ts';

/** What differs from kit to kit in the bolt-in stage network. */
export interface StageFacts {
  /** Torque of the cradle's bolts and of the boxes'; null where nobody has stated it: then the drawing says. */
  readonly cradleNm: readonly [number, number] | null;
  readonly boxNm: readonly [number, number] | null;
  /** Who states these torques. @default '' */
  readonly torqueSource?: string;
  readonly rearBox: boolean;
  readonly liquid: boolean;
  /** Hours relative to the smallest van. */
  readonly size: number;
  readonly fullV: number;
}

/** The bolt-in stage network of the trade (§7.1, two technicians), with hours scaled to the vehicle; common practice. */
export function boltInStages({
  cradleNm,
  boxNm,
  torqueSource = '',
  rearBox,
  liquid,
  size,
  fullV,
}: StageFacts): StageTemplate[] {
  const h = (hours: number) => Math.round(hours * size * 2) / 2;
  const boxes = rearBox ? ['rear-box'] : ['front-box'];
  return [
    stage({
      key: 'receive',
      name: 'Receive and weigh',
      skill: 'mechanical',
      hours: 2,
      needs: 'scales',
      tools: ['corner scales'],
      note: 'best stripped of doors and lids',
      steps: [see('Four corner weights entered in Vehicle'), see('Mends and bends looked over, photographs taken')],
    }),
    stage({
      key: 'strip',
      name: 'Strip out engine, tank, exhaust',
      difficulty: 'practised',
      skill: 'mechanical',
      after: ['receive'],
      hours: h(8),
      mostPeople: 2,
      needs: 'lift',
      traits: ['onLift', 'takesOut'],
      note: 'what is kept, sold, returned: bagged and labelled. The vehicle tips when a heavy part leaves one end',
      steps: [
        see('Fuel drained by a licensed person, tank vented'),
        see('Support under the far end before the engine is lowered'),
        see('Kept parts bagged and labelled'),
      ],
    }),
    stage({
      key: 'clean',
      name: 'Clean and chase threads',
      skill: 'mechanical',
      after: ['strip'],
      hours: 3,
      note: 'crud in old holes ruins threads',
      steps: [
        see('All kit mounting threads chased and dry'),
        measure('Worst thread, bolt by hand', 'count', 6, null, 'full turns before the spanner'),
      ],
    }),
    stage({
      key: 'run-looms',
      name: liquid ? 'Run LV, HV looms and coolant lines' : 'Run LV and HV looms',
      difficulty: 'practised',
      skill: 'electrical',
      after: ['clean'],
      hours: h(8),
      mostPeople: 2,
      note: 'first, while everything is open; no connector on until through',
      steps: [see('HV apart from LV and communication'), measure('Clamp spacing, widest', 'length', null, 300)],
    }),
    stage({
      key: 'front-box',
      name: 'Front box in',
      difficulty: 'practised',
      skill: 'mechanical',
      after: ['run-looms'],
      hours: h(3),
      people: 2,
      needs: 'lift',
      traits: rearBox ? ['onLift', 'frontBoxesIn'] : ['onLift', 'boxesIn', 'frontBoxesIn', 'rearBoxesIn', 'driveIn'],
      note: 'before the rear: the vehicle tips backwards on the lift',
      steps: [see('Grease on threads'), torque('Torque, front box', boxNm, torqueSource, 'crosswise, twice')],
    }),
    ...(rearBox
      ? [
          stage({
            key: 'rear-box',
            name: 'Rear box and drive in',
            difficulty: 'practised',
            skill: 'mechanical',
            after: ['front-box'],
            hours: h(6),
            people: 2,
            needs: 'lift',
            traits: ['onLift', 'boxesIn', 'rearBoxesIn', 'driveIn'],
            note: 'raise to within 5 mm before starting a bolt; grease; then torque',
            steps: [
              measure('Cradle gap before any bolt is started', 'length', null, 5),
              torque('Torque, cradle, front pair', cradleNm, torqueSource, 'crosswise, twice'),
              torque('Torque, cradle, rear pair', cradleNm, torqueSource),
            ],
          }),
        ]
      : []),
    stage({
      key: 'clearance',
      name: 'Clearance check, shift on slots',
      skill: 'mechanical',
      after: boxes,
      hours: 2,
      note: 'full droop and bump',
      steps: [
        measure(
          'Box to damper at full droop',
          'length',
          25,
          null,
          'a damper that only touches on full droop still counts',
        ),
        measure('Box to body, tightest', 'length', 10, null),
      ],
    }),
    stage({
      key: 'connectors',
      name: 'Fit connectors, label, clamp',
      skill: 'electrical',
      after: ['clearance'],
      hours: h(10),
      needs: 'HV authorised',
      tools: ['hv crimp tool'],
      note: 'HV apart from LV and communication',
      steps: [
        see('Every HV connector labelled, both ends'),
        measure('Earth bond, worst enclosure', 'resistance', null, 0.1),
      ],
    }),
    ...(liquid
      ? [
          stage({
            key: 'cooling',
            name: 'Cooling fill and bleed',
            skill: 'mechanical',
            after: ['connectors'],
            hours: 2,
            note: 'both loops; coolant is for licensed people where local rules say so',
            steps: [
              see('No air after ten minutes of pumping'),
              measure('Coolant, freezing point', 'temperature', null, -20),
            ],
          }),
        ]
      : []),
    stage({
      key: 'charger',
      name: 'Charger, DC-DC, 12 V',
      skill: 'electrical',
      after: ['connectors'],
      hours: 3,
      traits: ['restIn'],
      steps: [measure('12 V battery before connecting', 'voltage', 12, 28), see('Charger breathing space free')],
    }),
    stage({
      key: 'first-power',
      name: 'First power',
      skill: 'electrical',
      after: ['charger', ...(liquid ? ['cooling'] : [])],
      hours: 3,
      people: 2,
      liveHv: true,
      needs: 'HV authorised, 2 people',
      note: 'high voltage kills',
      steps: [
        measure('Insulation, plus to chassis', 'insulation', fullV / 10, null, '100 Ω per volt'),
        measure('Insulation, minus to chassis', 'insulation', fullV / 10, null, '100 Ω per volt'),
        see('Precharge curve recorded, contactors close in order'),
      ],
    }),
    stage({
      key: 'interior',
      name: 'Interior, controls, gauges',
      skill: 'trim',
      after: ['run-looms'],
      hours: h(6),
      steps: [see('Direction control and throttle tried'), see('Dials read right at both ends')],
    }),
    stage({
      key: 'prove',
      name: 'Prove standing',
      skill: 'electrical',
      after: ['first-power', 'interior'],
      hours: h(5),
      needs: 'HV authorised',
      steps: [{ ...see('Standing checks of the sign-off sheet signed in Prove'), second: true }],
    }),
    stage({
      key: 'panels',
      name: 'Panels and lids on',
      skill: 'mechanical',
      after: ['prove'],
      hours: 3,
      note: 'only after things are known to work',
      steps: [see('Lids seal, vents free')],
    }),
    stage({
      key: 'align',
      name: 'Align, corner weigh',
      skill: 'mechanical',
      after: ['panels'],
      hours: 2,
      traits: ['onAlignment'],
      needs: 'alignment bay',
      tools: ['corner scales'],
      note: 'only with the full weight in',
      steps: [see('Corner weights entered in Vehicle'), see('Tracking set')],
    }),
    stage({
      key: 'road',
      name: 'Road test',
      skill: 'mechanical',
      after: ['align'],
      hours: 3,
      needs: 'seat belts, lights checked first',
      steps: [
        see('Brakes with the vacuum used up'),
        measure('Motor temperature after the hill', 'temperature', null, 80),
      ],
    }),
    stage({
      key: 'hand-over',
      name: 'Sign-off and hand over',
      after: ['road'],
      hours: 2,
      steps: [see('Sign-off sheet printed and explained')],
    }),
  ];
}
