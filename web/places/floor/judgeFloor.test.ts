import { describe, expect, test } from 'vitest';
import type { StoredBriefLine } from '../../../contract/brief.ts';
import type { FloorData, FloorJob, PersonToday } from '../../../contract/floor.ts';
import { FIGURES } from '../../../core/figures/index.ts';
import { briefLine } from '../../../core/testing/briefLine.ts';
import { floorJob, shelves } from '../../testing/shelves.ts';
import { type Decision, judgeFloorJob, needsDecision } from './judgeFloor.ts';

const TODAY = '2026-11-24';
const RATES = { rateCents: 6000, hoursPerDay: 13 };
const line = (change: Partial<StoredBriefLine> & Pick<StoredBriefLine, 'kind'>): StoredBriefLine => ({
  ...briefLine(change),
  version: 1,
  ...change,
});
const person = (name: string, hvUntil: string | null): PersonToday => ({
  personId: name,
  name,
  initials: 'XX',
  role: 'technician',
  hvUntil,
  hoursPlanned: 7.5,
  workHours: 0,
  liveHours: 0,
  reworkHours: 0,
});

function decisions(jobs: FloorJob[], people: PersonToday[] = [], library = shelves()): Decision[] {
  const floor: FloorData = {
    now: `${TODAY}T09:00:00Z`,
    building: { widthM: 20, lengthM: 10, version: 1 },
    places: [],
    jobs,
    onTheClock: [],
    people,
  };
  const judged = jobs.flatMap((job) => judgeFloorJob(job, library, TODAY, RATES) ?? []);
  return needsDecision(floor, judged, library, TODAY);
}
const kinds = (list: Decision[]) => list.map((decision) => decision.about.kind);
const weighed = (job: FloorJob): FloorJob => ({
  ...job,
  vehicle: {
    ...job.vehicle,
    weighings: [
      {
        id: 'w',
        frontLeftKg: 300,
        frontRightKg: 300,
        rearLeftKg: 200,
        rearRightKg: 200,
        state: 'asReceived',
        by: 'JO',
        at: `${TODAY}T08:00:00Z`,
        note: '',
      },
    ],
  },
});

describe('judging a job of the floor', () => {
  test('uses the same figures as the job itself', () => {
    const judged = judgeFloorJob(floorJob(), shelves(), TODAY, RATES)!;
    expect(judged.sheet.get(FIGURES.packEnergy).value).toBe(26_400);
    expect(judged.vehicle.figures.frontAxleMass.source).toBe('library');
    expect(judgeFloorJob(weighed(floorJob()), shelves(), TODAY, RATES)?.vehicle.figures.frontAxleMass).toMatchObject({
      value: 600,
      source: 'measured',
    });
  });
  test('a variant that is not in the library is left out', () => {
    const job = floorJob();
    expect(
      judgeFloorJob({ ...job, vehicle: { ...job.vehicle, variantId: 'unknown' } }, shelves(), TODAY, RATES),
    ).toBeNull();
  });
  test('hours left and late parts move the day it is ready', () => {
    const stages = [
      { name: 'Strip', state: 'done' as const, hours: 8, liveHv: false, traits: [], finishedAt: null },
      { name: 'Build', state: 'waiting' as const, hours: 26, liveHv: false, traits: [], finishedAt: null },
    ];
    const ready = (waitingParts: FloorJob['waitingParts']) =>
      judgeFloorJob(floorJob({ stages, waitingParts }), shelves(), TODAY, RATES)!.sheet.get(FIGURES.readyDate).value!;
    // Two working days from a Friday, against two from today.
    expect(ready([{ componentId: 'module-t', due: '2026-12-04', state: 'ordered' }]) - ready([])).toBe(12);
  });
});

describe('what needs a decision', () => {
  test('a quiet job needs none', () => expect(decisions([weighed(floorJob())])).toEqual([]));
  test('a broken firm line, not a broken wish', () => {
    const range = line({ kind: 'rangeConstant', amount: 1500 });
    expect(kinds(decisions([weighed(floorJob({ brief: [range] }))]))).toEqual(['brokenLine']);
    expect(decisions([weighed(floorJob({ brief: [{ ...range, firm: false }] }))])).toEqual([]);
  });
  test('a kit that does not fit, until its stages have begun', () => {
    const job = weighed(floorJob({ kit: { revisionId: 'kit-t-a', options: [] } }));
    const list = decisions([job], [], shelves(348));
    expect(list[0]).toMatchObject({
      mark: 'stop',
      about: { kind: 'misfit', finding: { rule: 'mountingPoints', margin: { value: -33 } } },
    });
    expect(decisions([job], [], shelves(300))).toEqual([]);
    const begun = {
      ...job,
      stages: [{ name: 'Strip', state: 'done' as const, hours: 8, liveHv: false, traits: [], finishedAt: null }],
    };
    expect(decisions([begun], [], shelves(348))).toEqual([]);
  });
  test('late parts say by how much and whether stores could help; the latest one is named', () => {
    const job = weighed(
      floorJob({
        waitingParts: [
          { componentId: 'drive-t', due: '2026-11-23', state: 'ordered' },
          { componentId: 'module-t', due: '2026-11-20', state: 'ordered' },
          { componentId: 'charger-t', due: '2026-12-20', state: 'ordered' },
        ],
      }),
    );
    expect(decisions([job])[0]?.about).toEqual({ kind: 'latePart', name: 'Module T', days: 4, heldBy: null });
    expect(decisions([job], [], shelves(300, { 'module-t': 3 }))[0]?.about).toMatchObject({ heldBy: 'stores' });
  });
  test('parts nobody ordered are counted', () => {
    const missing = { due: null, state: 'missing' as const };
    const job = weighed(
      floorJob({
        waitingParts: [
          { componentId: 'drive-t', ...missing },
          { componentId: 'module-t', ...missing },
        ],
      }),
    );
    expect(decisions([job])[0]?.about).toEqual({ kind: 'missingPart', name: 'Drive T', count: 2 });
  });
  test('an unweighed vehicle says how many lines rest on library masses', () => {
    const brief = [
      line({ kind: 'grossMass' }),
      line({ kind: 'time0to50', amount: 60 }),
      line({ kind: 'overnightCharge', amount: 30 }),
    ];
    expect(decisions([floorJob({ brief })])[0]?.about).toEqual({ kind: 'unweighed', figures: 2 });
  });
  test('a stopped stage comes before everything else', () => {
    const stages = [
      {
        name: 'Rear box and drive in',
        state: 'stopped' as const,
        hours: 6,
        liveHv: false,
        traits: [],
        finishedAt: null,
      },
    ];
    const list = decisions([floorJob({ stages, brief: [line({ kind: 'rangeConstant', amount: 1500 })] })]);
    expect(kinds(list)).toEqual(['stopped', 'brokenLine', 'unweighed']);
  });
  test('authorisations that end within thirty days, run-out ones first', () => {
    const people = [
      person('Soon', '2026-12-06'),
      person('Later', '2027-06-01'),
      person('Never', null),
      person('Gone', '2026-11-20'),
    ];
    const list = decisions([], people);
    expect(list.map((d) => d.about)).toEqual([
      { kind: 'authorisation', name: 'Gone', days: -4, others: 2 },
      { kind: 'authorisation', name: 'Soon', days: 12, others: 1 },
    ]);
    expect(list[0]?.mark).toBe('stop');
  });
});
