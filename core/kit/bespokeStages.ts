import type { StageTemplate } from './kit.ts';
import { measure, see, stage } from './stageMakers.ts';

/** What a job that is no bolt-in kit adds (trade §7.1); hours are a start, common practice. */
export function bespokeStages(): StageTemplate[] {
  return [
    stage({
      key: 'baseline',
      name: 'Baseline run',
      hours: 3,
      skill: 'mechanical',
      note: 'dynamometer or a measured road, exhaust figures where they are wanted for "before"',
      steps: [see('Power, torque and consumption as it came, kept with the vehicle')],
    }),
    stage({
      key: 'scan',
      name: 'Scan and mock-up',
      after: ['baseline'],
      hours: 16,
      skill: 'fabrication',
      note: 'cardboard is fine',
      steps: [
        see('Bays and mounting points measured or traced into the model'),
        see('Mock-up moved through full droop and full bump'),
      ],
    }),
    stage({
      key: 'design',
      traits: ['beside'],
      name: 'Design',
      after: ['scan'],
      hours: 24,
      steps: [see('Design chosen in Size, package whole in Match')],
    }),
    stage({
      key: 'cradle-box',
      traits: ['beside'],
      name: 'Cradle and boxes made',
      after: ['design'],
      hours: 40,
      skill: 'fabrication',
      note: 'weld, test fit, strip, coat: each may come back',
      steps: [
        see('Test fit before anything is coated'),
        measure('Box to body, tightest', 'length', 10, null),
        see('Coated, threads clean'),
      ],
    }),
    stage({
      key: 'pack-build',
      traits: ['beside'],
      name: 'Pack built',
      after: ['cradle-box'],
      hours: 24,
      people: 2,
      liveHv: true,
      skill: 'electrical',
      needs: 'HV authorised, 2 people',
      note: 'stored energy in modules cannot be switched off',
      steps: [
        see('Modules graded, strings alike'),
        see('Compressed as the module sheet says'),
        see('Busbars torqued as the module sheet says, marked'),
      ],
    }),
    stage({
      key: 'harness',
      traits: ['beside'],
      name: 'Harness from measured distances',
      after: ['cradle-box'],
      hours: 24,
      skill: 'electrical',
      steps: [see('Every run measured in the vehicle, service loop added'), see('Rung through on the bench')],
    }),
    stage({
      key: 'software',
      name: 'Controller set up',
      after: ['pack-build', 'harness'],
      hours: 8,
      skill: 'software',
      steps: [see('Caps of the design set, read back and kept')],
    }),
    stage({
      key: 'trim',
      name: 'Trim',
      after: ['harness'],
      hours: 12,
      skill: 'trim',
      steps: [see('Dials and levers that stay in use tried')],
    }),
  ];
}
