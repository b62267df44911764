import { describe, expect, test } from 'vitest';
import type { Component } from '../component/sheets.ts';
import { USUAL_USE } from '../job/usualUse.ts';
import type { KitRevision } from '../kit/kit.ts';
import { CHARGER, DRIVE, MODULE, VARIANT } from '../testing/wren.ts';
import { vehicleState, type Weighing } from '../vehicle/state.ts';
import type { Variant } from '../vehicle/variant.ts';
import { fitKit } from './fitKit.ts';
import { type Judged, type KnownVehicle, wouldFit } from './wouldFit.ts';

const library = new Map<string, Component>([MODULE, DRIVE, CHARGER].map((one) => [one.id, one]));
const KIT: KitRevision = {
  ...{ id: 'k', kitId: 'k', kitName: 'Kit', modelName: 'Van', revision: 'A', state: 'released', options: [] },
  ...{ torqueCapNm: null, gear: null, cover: {}, exclusions: [], stages: [] },
  layout: { boxes: [{ bay: 'rear', modules: 12 }], strings: 1 },
  lines: [
    { componentId: MODULE.id, quantity: 12, packedIn: '', appliesWhen: null },
    { componentId: DRIVE.id, quantity: 1, packedIn: '', appliesWhen: null },
    { componentId: CHARGER.id, quantity: 1, packedIn: '', appliesWhen: null },
  ],
} as KitRevision;
const SISTER: Variant = { ...VARIANT, id: 'sister', name: 'two', mountingPoints: [] };
const work = { rateCents: 5800, hoursPerDay: 8, todayDay: 0, latestPartDay: null, remainingHours: null };
const van = (id: string, more: Partial<KnownVehicle> = {}): KnownVehicle => ({
  ...{ id, clientId: `of ${id}`, variantId: VARIANT.id, measured: {}, weighing: null },
  ...more,
});
const weighed = (corners: number): Weighing => ({
  ...{ frontLeftKg: corners, frontRightKg: corners, rearLeftKg: corners, rearRightKg: corners },
  ...{ state: 'asReceived', by: 'Tove', at: '2026-01-02' },
});
const rows = (vehicles: readonly KnownVehicle[], waiting: readonly string[] = [], more: readonly Variant[] = []) =>
  wouldFit({
    ...{ revision: KIT, library, variants: [VARIANT, SISTER], vehicles, waiting: new Set(waiting), work },
    all: new Map([VARIANT, SISTER, ...more].map((one) => [one.id, one])),
  });
const told = (vehicles: readonly KnownVehicle[]) => rows(vehicles)[0]!.theirs.map(({ judged }) => judged);

describe('where a kit would fit', () => {
  test('each variant is judged as the kit would be put on it, with the rules that make it so', () => {
    for (const row of rows([])) {
      const report = fitKit({
        ...{ revision: KIT, options: [], library, vehicle: vehicleState(row.of, {}, null), use: USUAL_USE, work },
        ...{ cover: {}, brief: [] },
      });
      expect(row.findings).toEqual(report.findings);
      expect(row.verdict).toBe(report.verdict);
      for (const rule of row.rules)
        expect(row.findings.some((one) => one.rule === rule && one.verdict === row.verdict)).toBe(true);
    }
  });
  test('a vehicle that nobody measured is judged as its variant, once', () => {
    const [row] = rows([van('a'), van('b')]);
    expect(row!.theirs.map(({ judged }) => judged.findings === row!.findings)).toEqual([true, true]);
    expect(row!.vehicles).toBe(2);
  });
  test('one that is weighed is judged by its own masses: too heavy at the back does not take what its model takes', () => {
    const heavy = told([van('a', { weighing: weighed(420) })])[0]!;
    const axle = heavy.findings.find(({ rule, subject }) => rule === 'axleMass' && subject === 'rear axle')!;
    expect(axle.verdict).toBe('doesNotFit');
    const light = told([van('a', { weighing: weighed(180) })])[0]!;
    expect(light.findings.find(({ rule, subject }) => rule === 'axleMass' && subject === 'rear axle')!.verdict).toBe(
      'fits',
    );
  });
  test('one measured figure stands in for the library’s', () => {
    const [one] = told([van('a', { measured: { grossMass: { value: 1000, source: 'measured' } } })]);
    expect(one!.findings.find(({ rule }) => rule === 'grossMass')).toMatchObject({
      verdict: 'doesNotFit',
      right: { value: 1000 },
    });
  });
  test('one of an older revision of the model is judged by that', () => {
    const weak = { ...VARIANT.figures, rearAxleRating: { value: 300, source: 'drawing' } as const };
    const newer: Variant = { ...VARIANT, id: `${VARIANT.id}.r2`, figures: weak };
    const [row] = wouldFit({
      ...{ revision: KIT, library, variants: [newer], vehicles: [van('a')], waiting: new Set(), work },
      all: new Map([VARIANT, newer].map((one) => [one.id, one])),
    });
    const rear = ({ findings }: Judged) =>
      findings.find(({ rule, subject }) => rule === 'axleMass' && subject === 'rear axle')!.right.value;
    expect(rear(row!)).toBe(300);
    expect(rear(row!.theirs[0]!.judged)).toBe(VARIANT.figures.rearAxleRating.value);
  });
  test('who waits is counted with their vehicles, and vehicles stand at their own variant', () => {
    const [one, other] = rows([van('a'), van('b'), van('c', { variantId: 'sister' })], ['of b']);
    expect(one).toMatchObject({ vehicles: 2, waiting: 1 });
    expect(one!.theirs.map(({ waits }) => waits)).toEqual([false, true]);
    expect(other).toMatchObject({ vehicles: 1, waiting: 0 });
  });
});
