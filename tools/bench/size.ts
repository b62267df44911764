import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { BriefLine } from '../../core/brief/lines.ts';
import { type ResolveInput, resolveDesign } from '../../core/design/resolve.ts';
import { createSheet } from '../../core/figures/evaluate.ts';
import { FIGURE_IDS, FIGURES } from '../../core/figures/index.ts';
import { USUAL_USE } from '../../core/job/usualUse.ts';
import { kitDesign, kitParts } from '../../core/kit/kit.ts';
import { CYCLE_R83 } from '../../core/road/cycleR83.ts';
import { type DriveLine, driveOver } from '../../core/road/driveOver.ts';
import { readGpx } from '../../core/road/readGpx.ts';
import { GRAVITY, type RoadVehicle } from '../../core/road/roadLoad.ts';
import { routeFrom } from '../../core/road/route.ts';
import { search } from '../../core/search/search.ts';
import { wholeSpace } from '../../core/search/space.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import { COMPONENTS } from '../../demo/components.ts';
import { KITS } from '../../demo/kits.ts';
import { MODELS } from '../../demo/models.ts';
import { type Row, timed } from './row.ts';

const library = new Map(COMPONENTS.map((part) => [part.id, part]));
const free = new Map(COMPONENTS.map((part) => [part.id, part.onHand]));
const variant = MODELS[0]!.variants[0]!;
const revision = { ...KITS[0]!.revisions[0]!, kitId: '', kitName: '', modelName: '' };
const design = kitDesign(revision, kitParts(revision, library, variant.id, []), variant.id, []);
const work = {
  labourHours: 70,
  rateCents: 5800,
  todayDay: 20_000,
  latestPartDay: null,
  remainingHours: 70,
  hoursPerDay: 13,
};
const use = { ...USUAL_USE, round: { lengthKm: 40, stops: 20, meanKmh: 28, climbM: 200 }, dcPostW: 50_000 };
const points = readGpx(readFileSync('demo/island-round.gpx', 'utf8'));
const route = typeof points === 'string' ? null : routeFrom(points);
export const sampleInput: ResolveInput = {
  design,
  library,
  vehicle: vehicleState(variant, {}, null),
  use,
  route: typeof route === 'string' ? null : route,
  newHoles: 0,
  work,
  free,
};

/** All figures of one design from nothing: every panel, R83 cycle, stated round and recorded route included. */
export function wholeDesign(): Row {
  const ms = timed(400, (i) => {
    const sheet = createSheet(resolveDesign({ ...sampleInput, use: { ...use, payloadKg: 100 + i } }));
    for (const id of FIGURE_IDS) sheet.get(FIGURES[id]);
  });
  return {
    what: `All ${FIGURE_IDS.length} figures of one design, cycle and an hour's recorded route included`,
    figure: `${ms.toFixed(2)} ms median`,
    aim: '≤ 8 ms',
    held: ms <= 8,
  };
}

const ROAD: RoadVehicle = {
  massKg: 1565,
  rollingCoefficient: 0.012,
  dragAreaM2: 1.03,
  airDensity: 1.225,
  rotationFactor: 1.05,
  headwindMs: 0,
};
const LINE: DriveLine = {
  gearEfficiency: 0.96,
  motorEfficiency: 0.9,
  maxPowerW: 90_000,
  regenPowerW: 30_000,
  regenShare: 0.5,
  auxiliaryW: 250,
};

/** The same arithmetic as `driveOver`, written out over typed arrays with nothing round it. */
function bareLoop(speed: Float64Array, grade: Float64Array, power: Float64Array, losses: Float64Array): number {
  const weight = ROAD.massKg * GRAVITY;
  const inertia = ROAD.massKg * ROAD.rotationFactor;
  const drag = 0.5 * ROAD.airDensity * ROAD.dragAreaM2;
  const eta = LINE.gearEfficiency * LINE.motorEfficiency;
  const most = LINE.maxPowerW * eta;
  let [battery, square, air, tyres, hills, brakes, loss, back] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let i = 0; i < speed.length - 1; i++) {
    const v = (speed[i]! + speed[i + 1]!) / 2;
    const hypotenuse = Math.sqrt(1 + grade[i]! * grade[i]!);
    const tyresW = v > 0 ? ((weight * ROAD.rollingCoefficient) / hypotenuse) * v : 0;
    const through = v + ROAD.headwindMs;
    const airW = v > 0 ? drag * through * Math.abs(through) * v : 0;
    const hillW = ((weight * grade[i]!) / hypotenuse) * v;
    const inertiaW = inertia * (speed[i + 1]! - speed[i]!) * v;
    const wheel = airW + tyresW + hillW + inertiaW;
    let drawn = LINE.auxiliaryW;
    let lost = 0;
    if (wheel >= 0) {
      const given = Math.min(wheel, most);
      drawn += given / eta;
      lost = given / eta - given;
    } else {
      const motor = Math.min(-wheel * LINE.regenShare, LINE.regenPowerW / eta);
      drawn -= motor * eta;
      back += motor * eta;
      lost = motor - motor * eta;
      brakes += -wheel - motor;
    }
    air += airW;
    tyres += tyresW;
    hills += hillW + inertiaW;
    loss += lost;
    battery += drawn;
    square += drawn * drawn;
    power[i] = drawn;
    losses[i] = lost;
  }
  for (const [values, width] of [[power, 30] as const, [losses, 600] as const]) {
    let sum = 0;
    for (let i = 0; i < values.length; i++) {
      sum += values[i]!;
      if (i >= width) sum -= values[i - width]!;
      if (sum > square) square = sum;
    }
  }
  return battery + square + air + tyres + hills + brakes + loss + back;
}

/** Cycle integration against the bare loop. */
export function cycleAgainstLoop(): Row {
  const n = CYCLE_R83.speedMs.length - 1;
  let kept = 0;
  const many = 50;
  const bare = timed(200, () => {
    for (let k = 0; k < many; k++)
      kept += bareLoop(CYCLE_R83.speedMs, CYCLE_R83.grade, new Float64Array(n), new Float64Array(n));
  });
  const ours = timed(200, () => {
    for (let k = 0; k < many; k++) kept += driveOver(CYCLE_R83, ROAD, LINE).batteryWh;
  });
  const ratio = ours / bare;
  return {
    what: 'The 1180 s of the R83 cycle against a bare typed-array loop of the same arithmetic',
    figure: `${ratio.toFixed(2)} × (${((1000 * ours) / many).toFixed(1)} µs against ${((1000 * bare) / many).toFixed(1)} µs)${Number.isNaN(kept) ? '!' : ''}`,
    aim: '≤ 3 ×',
    held: ratio <= 3,
  };
}

/** A recording of ten thousand points made into a route, after parsing. */
export function bigRoute(): Row {
  const n = 10_000;
  const each = (read: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => read(i));
  const big = {
    name: '',
    lat: each((i) => 41 + i * 1.1e-4),
    lon: each((i) => -36 + 0.01 * Math.sin(i / 300)),
    elevationM: each((i) => 40 * Math.sin(i / 700) + (i % 5) * 0.4),
    timeS: each((i) => i * 1.4),
  };
  const ms = timed(40, () => routeFrom(big));
  return {
    what: 'A GPX recording of 10 000 points made into a route, after parsing',
    figure: `${ms.toFixed(1)} ms median`,
    aim: '≤ 25 ms',
    held: ms <= 25,
  };
}

/** Candidates decided a second on one core, full and exact. */
export function searchRate(): { looked: number; perSecond: number } {
  const line = (kind: BriefLine['kind'], firm: boolean, amount: number | null, more: Partial<BriefLine> = {}) => ({
    id: kind,
    kind,
    firm,
    amount,
    school: null,
    tolerance: null,
    text: '',
    done: false,
    ...more,
  });
  const brief: BriefLine[] = [
    line('rangeRound', true, 120),
    line('grossMass', true, null),
    line('hillStart', true, 0.16),
    line('axleShare', true, null, { school: 'original', tolerance: 0.02 }),
    line('time0to50', false, 8),
  ];
  const space = wholeSpace(variant, library, free, design, true);
  const task = { ...sampleInput, free, base: design, space, brief };
  let looked = 0;
  let perSecond = 0;
  for (let i = 0; i < 4; i++) {
    const start = performance.now();
    const run = search(task);
    let step = run.next();
    while (!step.done) step = run.next();
    looked = step.value.looked;
    perSecond = Math.max(perSecond, looked / ((performance.now() - start) / 1000));
  }
  return { looked, perSecond };
}

/** Heap the search may have, MB: with the code and the loader of the sources the process stays under 300. */
const HEAP_MB = 128;

/** The search in a process of its own with its heap held; one that needs more is ended by the engine. */
export function searching(): Row {
  const { stdout } = spawnSync(
    process.execPath,
    [`--max-old-space-size=${HEAP_MB}`, '--max-semi-space-size=8', '--import', 'tsx', 'tools/bench/searchProcess.ts'],
    { encoding: 'utf8' },
  );
  const result = stdout.startsWith('{')
    ? (JSON.parse(stdout) as { looked: number; perSecond: number; megabytes: number })
    : null;
  return {
    what: `Search of ${result?.looked ?? 0} candidates with four firm lines, one core`,
    figure: result
      ? `${Math.round(result.perSecond)} a second, ${Math.round(result.megabytes)} MB`
      : 'ended for want of memory',
    aim: '≥ 200 000 a second, < 300 MB',
    held: result !== null && result.perSecond >= 200_000 && result.megabytes < 300,
  };
}
