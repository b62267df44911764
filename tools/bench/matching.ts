import highsLoader from 'highs';
import { fitKit } from '../../core/fit/fitKit.ts';
import { rankKits } from '../../core/fit/rankKits.ts';
import { USUAL_USE } from '../../core/job/usualUse.ts';
import type { KitRevision } from '../../core/kit/kit.ts';
import { layouts } from '../../core/layout/solve.ts';
import type { LayoutTask } from '../../core/layout/task.ts';
import { highsSolver } from '../../core/milp/highs.ts';
import { vehicleState } from '../../core/vehicle/state.ts';
import { COMPONENTS } from '../../demo/components.ts';
import { KITS } from '../../demo/kits.ts';
import { MODELS } from '../../demo/models.ts';
import { type Row, timed } from './row.ts';

const LINES = 60;
const OWN_EACH = 10;
const library = new Map(COMPONENTS.map((part) => [part.id, part]));
const variant = MODELS.flatMap(({ variants }) => variants).find(({ id }) => id === 'wren-11')!;
const vehicle = vehicleState(variant, {}, null);
const revisions = KITS.flatMap((kit) =>
  kit.revisions.map((one): KitRevision => ({ ...one, kitId: kit.id, kitName: kit.name, modelName: kit.modelId })),
);
const own = revisions.find(({ id }) => id === 'wren-kit-d')!;
const others = revisions.filter(({ kitId }) => kitId !== 'wren-kit');

/** A kit of sixty lines and three options, none two alike in every line. */
const grown = (of: KitRevision, i: number): KitRevision => ({
  ...of,
  id: `${of.id}-${i}`,
  options: [...of.options, { id: 'a', name: 'a' }, { id: 'b', name: 'b' }, { id: 'c', name: 'c' }].slice(0, 3),
  lines: [
    ...of.lines.map((line, j) => ({
      ...line,
      quantity: j === i % of.lines.length ? line.quantity + 1 : line.quantity,
    })),
    ...Array.from({ length: LINES - of.lines.length }, (_, j) => ({
      ...of.lines[j % of.lines.length]!,
      componentId: COMPONENTS.filter(({ kind }) => kind === 'other')[j % 6]!.id,
      appliesWhen: j === 0 ? { option: 'a' } : null,
    })),
  ],
});

const ground = {
  ...{ library, vehicle, use: USUAL_USE, cover: {}, reversibleFirm: false, brief: [] },
  lineName: () => '',
  ruleName: ({ rule }: { rule: string }) => rule,
  work: { rateCents: 5800, hoursPerDay: 13, todayDay: 20_000, latestPartDay: null, remainingHours: null },
};

/** Which kit? of a workshop with many: one in ten for this model, as a shop that makes kits for several has them. */
export function ranking(): Row {
  const kits = Array.from({ length: 200 }, (_, i) => grown(i % OWN_EACH === 0 ? own : others[i % others.length]!, i));
  const ways = rankKits({ ...ground, kits }).length;
  const ms = timed(12, () => {
    rankKits({ ...ground, kits });
  });
  return {
    what: `One vehicle against ${kits.length} kits of ${LINES} lines with 8 option sets (${ways} ways, one kit in ten for its model)`,
    figure: `${ms.toFixed(0)} ms median`,
    aim: '≤ 300 ms',
    held: ms <= 300,
  };
}

/** One match again after a box was dragged. */
export function matchAgain(): Row {
  const ms = timed(200, (i) => {
    const [first, ...rest] = own.layout.boxes;
    const boxes = [{ ...first!, shiftMm: i % 40 }, ...rest];
    fitKit({ ...ground, revision: { ...own, layout: { ...own.layout, boxes } }, options: [] });
  });
  return { what: 'One match again after a drag', figure: `${ms.toFixed(1)} ms median`, aim: '≤ 16 ms', held: ms <= 16 };
}

/** A layout of 24 modules into 4 bays, by HiGHS: until the first, proved the best, is there. */
export async function layingOut(): Promise<Row> {
  const solve = highsSolver(await highsLoader());
  const box = { yMm: 0, zMm: 400, lengthMm: 700, widthMm: 600, heightMm: 400, maxMassKg: 250, inside: false } as const;
  const task: LayoutTask = {
    module: { lengthMm: 360, widthMm: 150, heightMm: 110, massKg: 12 },
    modules: 24,
    bays: [-200, 700, 1600, 2600].map((xMm, i) => ({
      bay: { ...box, key: `b${i}`, name: `b${i}`, xMm, access: '', source: 'drawing' as const },
      use: 'may' as const,
    })),
    ...{ clearanceMm: 10, wheelbaseMm: 2400, aimShare: 0.52, frontRatingKg: 1100, rearRatingKg: 1100, grossKg: 1900 },
    unladen: { massKg: 800, momentKgMm: 880_000 },
    laden: { massKg: 1150, momentKgMm: 1_510_000 },
    ...{ hubXMm: 0, aim: 'weight' },
  };
  let proved = true;
  const ms = timed(6, () => {
    const first = layouts(task, solve, { most: 1 }).next().value;
    proved &&= typeof first === 'object' && first !== null && first.optimal;
  });
  return {
    what: 'Layout of 24 modules into 4 bays, the first answer, proved the best',
    figure: `${ms.toFixed(0)} ms median`,
    aim: '≤ 2 s',
    held: ms <= 2000 && proved,
  };
}
