import type { Component } from '../core/component/sheets.ts';
import type { Library } from '../core/design/resolve.ts';
import type { VehicleUse } from '../core/figures/slots.ts';
import type { Finding } from '../core/fit/finding.ts';
import { fitKit } from '../core/fit/fitKit.ts';
import { USUAL_USE } from '../core/job/usualUse.ts';
import { type KitRevision, kitParts } from '../core/kit/kit.ts';
import { vehicleState } from '../core/vehicle/state.ts';
import type { Variant } from '../core/vehicle/variant.ts';

const ALL = Symbol('every row');
/** A number somewhere in a sheet, a variant or a kit: the way to it; `ALL`: that column of every row of a curve. */
type Path = readonly (string | number | typeof ALL)[];
/** Rows that are points of one line: one of them alone says little, the column is swept as a whole. */
const CURVES: ReadonlySet<string> = new Set(['shortTime', 'curve', 'rates', 'byTemperature']);

const nameOf = (path: Path): string => path.map((step) => (typeof step === 'string' ? step : '#')).join('.');

/** Every number in there, by its way. */
function* numbers(value: unknown, path: Path = []): Generator<Path> {
  if (typeof value === 'number') yield path;
  else if (Array.isArray(value)) for (const [i, one] of value.entries()) yield* numbers(one, [...path, i]);
  else if (value !== null && typeof value === 'object')
    for (const [key, one] of Object.entries(value))
      if (CURVES.has(key) && Array.isArray(one) && one.length > 0)
        for (const column of Object.keys(one[0])) yield [...path, key, ALL, column];
      else yield* numbers(one, [...path, key]);
}

/** The same with the number at the way multiplied. */
function scaled<T>(value: T, [step, ...rest]: Path, by: number): T {
  if (step === undefined) return ((value as number) * by) as T;
  if (step === ALL) return (value as unknown[]).map((row) => scaled(row, rest, by)) as T;
  const copy = (Array.isArray(value) ? [...value] : { ...value }) as Record<string | number, unknown>;
  copy[step] = scaled(copy[step], rest, by);
  return copy as T;
}

const SEVERITY = { fits: 0, afterWork: 1, measureFirst: 2, doesNotFit: 3 } as const;
/** A tenth of it, and ten times as much: for a limit one of the two is worse. */
const FACTORS = [0.1, 10] as const;

/** What was swept, and what objected. */
export interface Swept {
  /** "fuse.sheet.ratedA", "vehicle.bays.#.maxMassKg". */
  readonly name: string;
  readonly rules: ReadonlySet<string>;
  /** Findings that turned worse name the component; null for what is no component's. */
  readonly named: boolean | null;
}

/**
 * Sets every number of a kit's components, of its layout and of a variant to a tenth and to ten times, one at a time, and
 * tells which rules then say worse than before.
 */
export function sweepKit(
  revision: KitRevision,
  variant: Variant,
  library: Library,
  { use = USUAL_USE, vehicleOnly = false }: { readonly use?: VehicleUse; readonly vehicleOnly?: boolean } = {},
): Swept[] {
  const judge = (kit: KitRevision, on: Variant, parts: Library): readonly Finding[] =>
    fitKit({
      ...{ revision: kit, options: [], library: parts, vehicle: vehicleState(on, {}, null), use, cover: {}, brief: [] },
      work: { rateCents: 5800, todayDay: 20_000, latestPartDay: null, remainingHours: 70, hoursPerDay: 13 },
    }).findings;
  const key = ({ rule, subject }: Finding) => `${rule} ${subject}`;
  const before = new Map(judge(revision, variant, library).map((one) => [key(one), one]));
  // Worse: another verdict, or the same, not good, by a wider margin.
  const worse = (findings: readonly Finding[]) =>
    findings.filter((one) => {
      const was = before.get(key(one));
      const [now, then] = [SEVERITY[one.verdict], was ? SEVERITY[was.verdict] : 0];
      if (now !== then) return now > then;
      return now > 0 && one.margin !== null && was?.margin != null && one.margin.value < was.margin.value - 1e-9;
    });
  const swept: Swept[] = [];
  const add = (name: string, found: readonly Finding[], component: Component | null) =>
    swept.push({
      name,
      rules: new Set(found.map(({ rule }) => rule)),
      named: component && found.length > 0 ? found.some(({ subject }) => subject.includes(component.name)) : null,
    });
  for (const { component } of vehicleOnly ? [] : kitParts(revision, library, variant.id, [])) {
    const { massKg, lengthMm, widthMm, heightMm, sheet, kind } = component;
    for (const path of numbers({ sheet, massKg, lengthMm, widthMm, heightMm })) {
      const found = FACTORS.flatMap((by) =>
        worse(judge(revision, variant, new Map([...library, [component.id, scaled(component, path, by)]]))),
      );
      add(`${kind}.${nameOf(path)}`, found, component);
    }
  }
  const { id: _, version: __, yearFrom: ___, yearTo: ____, shape: _____, ...swayed } = variant;
  for (const path of numbers(swayed))
    add(
      `vehicle.${nameOf(path)}`,
      FACTORS.flatMap((by) => worse(judge(revision, scaled(variant, path, by), library))),
      null,
    );
  if (vehicleOnly) return swept;
  const { layout, torqueCapNm, gear } = revision;
  for (const path of numbers({ layout, torqueCapNm, gear }))
    add(
      `kit.${nameOf(path)}`,
      FACTORS.flatMap((by) => worse(judge(scaled(revision, path, by), variant, library))),
      null,
    );
  return swept;
}
