import { describe, expect, test } from 'vitest';
import { FIGURES } from '../core/figures/index.ts';
import { closersOf } from '../core/fit/closers.ts';
import { kitOnVehicle } from '../core/fit/kitSheet.ts';
import { rankKits } from '../core/fit/rankKits.ts';
import { USUAL_USE } from '../core/job/usualUse.ts';
import { countDifferences, kitDifference } from '../core/kit/difference.ts';
import { judgeRelease } from '../core/kit/judgeRelease.ts';
import type { KitRevision } from '../core/kit/kit.ts';
import { optionEffects } from '../core/kit/optionEffects.ts';
import { REVERSIBLE_FIRM } from '../core/testing/briefLine.ts';
import { vehicleState } from '../core/vehicle/state.ts';
import { matchFile } from '../wording/kitFile.ts';
import { formOf } from '../wording/tableVerdict.ts';
import { JOBS } from './jobs.ts';
import { LIBRARY, REVISIONS } from './loadDesigns.ts';
import { MODELS } from './models.ts';

const VARIANTS = MODELS.flatMap(({ variants }) => variants);
const variant = (id: string) => VARIANTS.find((one) => one.id === id)!;
const revision = (id: string): KitRevision => REVISIONS.get(id)!;
const work = { rateCents: 5800, hoursPerDay: 13, todayDay: 0, latestPartDay: null, remainingHours: null };
const on = (id: string) => ({ library: LIBRARY, vehicle: vehicleState(variant(id), {}, null), use: USUAL_USE, work });

describe('options of a kit', () => {
  const effects = optionEffects({ revision: revision('wren-kit-d'), ...on('wren-11') });
  const [plain, charger, boot] = effects.map(({ figures }) => figures);
  test('keeping the boot costs range and gives room, mass and money back', () => {
    expect(effects.map(({ option }) => option)).toEqual([null, 'larger-charger', 'keep-boot']);
    expect(boot!.rangeKm!).toBeLessThan(plain!.rangeKm!);
    // The rear box stands in a place of 140 l and takes of it what it measures outside.
    const { outer } = kitOnVehicle({
      revision: revision('wren-kit-d'),
      options: [],
      ...on('wren-11'),
    }).sheet.slots.pack.boxes.at(-1)!;
    const takes = (outer!.lengthMm * outer!.widthMm * outer!.heightMm) / 1e6;
    expect(boot!.luggageL! - plain!.luggageL!).toBeCloseTo(takes, 6);
    expect(boot!.massKg!).toBeLessThan(plain!.massKg!);
    expect(boot!.partsCents!).toBeLessThan(plain!.partsCents!);
  });
  test('a larger charger at an ordinary socket gives what the socket gives, and changes nothing of the range but by its weight', () => {
    // 3.3 kW against 230 V × 16 A = 3.68 kW; the last tenth is slower with both.
    expect(charger!.chargeH! / plain!.chargeH!).toBeCloseTo(3300 / 3680, 1);
    expect(Math.abs(charger!.rangeKm! - plain!.rangeKm!)).toBeLessThan(1);
  });
});

describe('before release', () => {
  const needs = (change: Partial<KitRevision> = {}, more: object = {}) =>
    judgeRelease({
      revision: { ...revision('wren-kit-d'), ...change },
      library: LIBRARY,
      variants: VARIANTS.map((one) => ({ ...one, modelName: one.id.startsWith('wren') ? 'Wren' : 'other' })),
      rates: { rateCents: 5800, hoursPerDay: 13 },
      ...{ readBy: 'jory', changedBy: 'ilse' },
      ...more,
    })
      .filter(({ met }) => !met)
      .map(({ need }) => need);
  test('the draft of the sample lacks a function and two sources', () => {
    expect(needs({ modelName: 'Wren' })).toEqual(['cover', 'torqueSources']);
  });
  test('a line for one variant only leaves the others without what it does', () => {
    const { lines } = revision('wren-kit-c');
    const only = lines.map((line) =>
      line.componentId === 'cradle-wren' ? { ...line, appliesWhen: { variantIds: ['wren-11'] } } : line,
    );
    expect(needs({ ...revision('wren-kit-c'), modelName: 'Wren' })).toEqual([]);
    expect(needs({ ...revision('wren-kit-c'), modelName: 'Wren', lines: only })).toEqual(['cover']);
  });
  test('a model without variants is fitted by nothing', () => {
    expect(needs({ ...revision('wren-kit-c'), modelName: 'Nobody’s' })).toEqual(['fitsOne']);
  });
});

describe('which kit for the bakery van', () => {
  const job = JOBS.find(({ title }) => title === 'Bakery van')!;
  const ranked = rankKits({
    ...on('wren-11'),
    use: job.use,
    kits: [...REVISIONS.values()],
    brief: [
      REVERSIBLE_FIRM,
      ...job.brief
        .filter(({ kind }) => kind !== 'reversible')
        .map((line, i) => ({ ...line, id: `${i}`, amount: line.kind === 'readyBy' ? 30_000 : line.amount })),
    ],
    cover: {},
    lineName: ({ kind }) => kind,
    ruleName: ({ rule }) => rule,
  });
  test('its own come first; those of other models say what the vehicle has not', () => {
    const own = ranked.filter(({ revision: { id } }) => id.startsWith('wren'));
    expect(ranked.slice(0, own.length)).toEqual(own);
    expect(ranked.at(-1)!.against.join()).toMatch(/this vehicle has not/);
    expect(ranked[0]!.behind).toBeNull();
  });
  test('every choice of options is there once', () => {
    const keys = ranked.map(({ revision: { id }, options }) => `${id} ${options.join()}`);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys).toContain('wren-kit-d larger-charger,keep-boot');
  });
});

test('a gap is closed by what covers it, the cheapest first, what has no price last', () => {
  const closers = closersOf('chargeAc', LIBRARY.values());
  expect(closers.length).toBeGreaterThan(2);
  const prices = closers.map(({ priceCents }) => priceCents);
  expect(prices).toEqual([...prices].sort((a, b) => a - b));
  const free = { ...closers[0]!, id: 'lent', priceCents: 0 };
  expect(closersOf('chargeAc', [free, ...closers]).at(-1)).toBe(free);
});

test('a component of a file is found by number, then sheet, then name, and else is new', () => {
  const drive = LIBRARY.get('drive-h80')!;
  const form = { ...formOf(drive), partNumber: 'H-80' };
  const own = { ...drive, partNumber: 'H-80' };
  const found = (change: object, mine = own) => matchFile([{ id: 'x', component: { ...form, ...change } }], [mine])[0]!;
  expect(found({ name: 'other', massKg: 1 })).toMatchObject({ own: { id: 'drive-h80' }, by: 'partNumber' });
  expect(found({ name: 'other', partNumber: '' })).toMatchObject({ by: 'sheet' });
  expect(found({ massKg: 1, partNumber: '' })).toMatchObject({ by: 'name' });
  expect(found({ name: 'other', massKg: 1, partNumber: '' })).toMatchObject({ own: null, by: null });
  expect(found({}, { ...own, kind: 'heater' } as never)).toMatchObject({ own: null });
});

test('the revisions of the van tell their history', () => {
  const between = (a: string, b: string) => kitDifference(revision(`wren-kit-${a}`), revision(`wren-kit-${b}`));
  expect(between('b', 'c').lines.map(({ componentId, before }) => [componentId, before])).toEqual([
    ['clamp-set', null],
  ]);
  expect(countDifferences(between('c', 'c'))).toBe(0);
  expect(between('c', 'd').options.added).toEqual(['Keep the boot keep-boot']);
  expect(
    kitOnVehicle({ revision: revision('wren-kit-d'), options: ['keep-boot'], ...on('wren-11') }).sheet.get(
      FIGURES.packModules,
    ).value,
  ).toBe(10);
});
