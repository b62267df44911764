import { describe, expect, test } from 'vitest';
import type { JobSheet } from '../../contract/job.ts';
import type { CheckResult } from '../../contract/prove.ts';
import type { StageRow } from '../../contract/stages.ts';
import { judgeBrief } from '../../core/brief/judgeLine.ts';
import { EMPTY_DESIGN } from '../../core/design/inputs.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import type { FitReport } from '../../core/fit/fitKit.ts';
import { USUAL_USE } from '../../core/job/usualUse.ts';
import { CHECKS } from '../../core/prove/index.ts';
import { slots, VEHICLE } from '../../core/testing/wren.ts';
import { isStep, STEPS, stepByKey } from '../../web/app/steps.ts';
import type { OpenJob } from '../../web/places/jobs/openJob.ts';
import { spineStates } from '../../web/places/jobs/spineStates.ts';
import { KIT, shelves } from '../../web/testing/shelves.ts';

const JOB: JobSheet = {
  id: 'j',
  number: '26-050',
  title: 'Test van',
  state: 'sizing',
  version: 1,
  useVersion: 1,
  region: null,
  evidence: {},
  matchHours: 0,
  planned: null,
  offer: null,
  client: { id: 'c', name: 'C', contact: '' },
  vehicle: {
    id: 'v',
    name: 'Test van',
    variantId: 'test-van',
    chassisNumber: '1',
    registration: '',
    builtYear: 1972,
    colour: '',
    weighings: [],
    measured: {},
    claims: [],
    findings: [],
  },
  use: USUAL_USE,
  route: null,
  brief: [],
  designs: [],
  chosenDesignId: null,
  placeId: null,
  promised: null,
  kit: null,
  cover: {},
  decisions: [],
  parts: [],
  stages: [],
  snags: [],
  checks: [],
  lessons: [],
  register: [],
};
const design = { id: 'd', name: 'A', inputs: EMPTY_DESIGN, version: 1, frozenAt: null, followsId: null };
const stage = (state: StageRow['state']): StageRow => ({
  id: state,
  key: state,
  name: state,
  traits: [],
  mostPeople: null,
  after: [],
  hours: 4,
  skill: '',
  people: 1,
  liveHv: false,
  tools: [],
  needs: '',
  note: '',
  state,
  hvConfirmed: false,
  version: 1,
  startedAt: null,
  finishedAt: null,
  finishedBy: null,
  hoursClocked: 0,
  hoursRework: 0,
  onIt: [],
  steps: [],
});
const check = (checkId: string, verdict: 'passed' | 'failed'): CheckResult => ({
  checkId,
  value: 1,
  verdict,
  limitMin: null,
  limitMax: null,
  limitSource: '',
  designName: null,
  designVersion: null,
  note: '',
  by: 'SA',
  at: '',
});
const part = (state: 'missing' | 'ordered' | 'inStores' | 'fitted') => ({
  id: state,
  componentId: 'module-t',
  quantity: 1,
  from: 'kit' as const,
  packedIn: '',
  state,
  due: null,
  serials: [],
  batches: [],
  pickedBy: null,
  pickedAt: null,
  fittedBy: null,
  fittedAt: null,
  version: 1,
});

function states(
  change: Partial<JobSheet> = {},
  verdict: 'fits' | 'afterWork' | 'doesNotFit' = 'fits',
  weighed = false,
) {
  const job = { ...JOB, ...change };
  const sheet = createSheet(slots());
  const weighing = weighed
    ? { frontLeftKg: 1, frontRightKg: 1, rearLeftKg: 1, rearRightKg: 1, state: 'asReceived' as const, by: '', at: '' }
    : null;
  const finding = {
    rule: 'coupling' as const,
    subject: '',
    verdict,
    left: { value: '', kind: null, source: 'sheet' as const },
    right: { value: '', kind: null, source: 'sheet' as const },
    margin: null,
    unmeasured: [],
    work: null,
  };
  const open = {
    job,
    shelves: shelves(),
    vehicle: { ...VEHICLE, weighing },
    kit: job.kit ? KIT : null,
    sheet,
    lines: judgeBrief(job.brief, sheet),
  } as unknown as OpenJob;
  const report = job.kit ? { verdict, findings: [finding], cover: [] } : null;
  return spineStates(open, report as unknown as FitReport | null, 'metric');
}
const firm = {
  id: 'l',
  kind: 'rangeRound' as const,
  firm: true,
  amount: 5000,
  school: null,
  tolerance: null,
  text: '',
  done: false,
  version: 1,
};

describe('the spine', () => {
  test('an empty job shows where to begin', () => {
    const spine = states();
    expect(Object.fromEntries(Object.entries(spine).map(([id, s]) => [id, s.mark]))).toEqual({
      brief: 'open',
      vehicle: 'waiting',
      size: 'open',
      match: 'open',
      price: 'open',
      parts: 'open',
      plan: 'open',
      build: 'open',
      prove: 'open',
    });
    expect(spine.vehicle.say).toBe('Not weighed');
    expect(spine.match.say).toBe('No kit taken');
  });
  test('a broken firm line stops Size; a chosen design that meets all is done', () => {
    expect(states({ brief: [firm], designs: [design] }).size.mark).toBe('stop');
    expect(states({ brief: [{ ...firm, firm: false }], designs: [design] }).size.mark).toBe('half');
    expect(states({ designs: [design], chosenDesignId: 'd' }).size).toMatchObject({ mark: 'done' });
    expect(states({ brief: [firm] }).brief).toEqual({ mark: 'done', say: '1 line, 1 firm' });
  });
  test('the offer tells what it comes to and what waits for the client', () => {
    const offer = { number: 2, state: 'sent' as const, totalCents: 1_474_472, sentAt: null, changesWaiting: 0 };
    expect(states({ offer }).price).toMatchObject({
      mark: 'waiting',
      say: expect.stringMatching(/^Offer 2, .*14.745$/),
    });
    expect(states({ offer: { ...offer, state: 'draft' } }).price.mark).toBe('half');
    expect(states({ offer: { ...offer, state: 'declined' } }).price.mark).toBe('stop');
    const agreed = { ...offer, state: 'accepted' as const };
    expect(states({ offer: agreed }).price).toMatchObject({ mark: 'done', say: expect.stringMatching(/^Agreed/) });
    expect(states({ offer: { ...agreed, changesWaiting: 2 } }).price).toEqual({
      ...{ mark: 'waiting', say: '2 changes with the client' },
    });
  });
  test('weights, kit and parts', () => {
    expect(states({}, 'fits', true).vehicle.mark).toBe('done');
    const kit = { revisionId: 'kit-t-a', options: [] };
    expect(states({ kit }, 'fits').match).toEqual({ mark: 'done', say: 'Van kit A' });
    expect(states({ kit }, 'afterWork').match.mark).toBe('half');
    expect(states({ kit }, 'doesNotFit').match).toEqual({ mark: 'stop', say: '1 part does not fit' });
    expect(states({ parts: [part('ordered'), part('fitted')] }).parts).toEqual({ mark: 'waiting', say: '1 awaited' });
    expect(states({ parts: [part('inStores'), part('fitted')] }).parts).toEqual({ mark: 'half', say: '1 of 2 fitted' });
    expect(states({ parts: [part('fitted')] }).parts.mark).toBe('done');
  });
  test('stages and checks; a check done again counts by its newest signature', () => {
    expect(states({ stages: [stage('done'), stage('waiting')] }).build).toEqual({ mark: 'half', say: '1 of 2 stages' });
    expect(states({ stages: [stage('done'), stage('stopped')] }).build.mark).toBe('stop');
    expect(states({ stages: [stage('done')] }).build.mark).toBe('done');
    // Newest first, as the server sends them.
    expect(states({ checks: [check('clearance', 'passed'), check('clearance', 'failed')] }).prove).toEqual({
      mark: 'half',
      say: `1 of ${CHECKS.length} checks`,
    });
    expect(states({ checks: [check('clearance', 'failed'), check('clearance', 'passed')] }).prove.mark).toBe('stop');
    expect(states({ checks: CHECKS.map(({ id }) => check(id, 'passed')) }).prove.mark).toBe('pass');
  });
});

describe('steps', () => {
  test('keep the keys of their place in the whole order of work', () => {
    expect(stepByKey('1')?.id).toBe('brief');
    expect(stepByKey('9')?.id).toBe('build');
    expect(stepByKey('0')?.id).toBe('prove');
    expect(stepByKey('5')?.id).toBe('price');
    expect(stepByKey('7')?.id).toBe('plan');
    expect(stepByKey('8')).toBeUndefined();
    expect(new Set(STEPS.map((step) => step.key)).size).toBe(STEPS.length);
    expect(isStep('size')).toBe(true);
    expect(isStep('price')).toBe(true);
    expect(isStep('plan')).toBe(true);
    expect(isStep('looms')).toBe(false);
    expect(isStep(undefined)).toBe(false);
  });
});
