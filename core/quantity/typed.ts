import type { QuantityKind } from './kinds.ts';
import { toBase, type UnitSet, unitsIn } from './units.ts';
import { type Dimension, readUnit } from './unitWords.ts';

/** Why what was typed could not be taken. Wording is the page's business. */
export type TypedProblem = 'empty' | 'comma' | 'unit' | 'otherUnit' | 'notANumber';

export type TypedNumber =
  | { readonly ok: true; readonly value: number; readonly withUnit: boolean }
  | { readonly ok: false; readonly problem: TypedProblem; readonly other?: Dimension };

export interface TypedOptions {
  /** Decimals are written with a comma where this person lives. @default false */
  readonly comma?: boolean;
}

const DECIMAL = String.raw`\d+(?:\.\d*)?|\.\d+`;
const FRACTION = /^([+-]?)(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/;
const ONE_IN = /^1\s*in\s*(\d+(?:\.\d+)?)$/i;
const AUGHT_AWG = /^(\d)\/0\s*(awg)$/i;
const SPLIT = new RegExp(String.raw`^([+-]?(?:\d+\s+\d+\s*\/\s*\d+|\d+\s*\/\s*\d+|${DECIMAL}))\s*(.*)$`);

/**
 * Reads a quantity as a person writes it into a field of its kind, in base units: "66", "4 in", "3/16 in", "1 1/2 in",
 * "210 lb", "120 lb ft", "2/0 AWG", "14 mpg", "104 °F", "1 in 8" for a grade. Without a unit the person's own is meant.
 * A comma is a decimal point only where the region writes so; elsewhere it may mean thousands and is sent back.
 * @example readTyped('4 in', 'length', 'metric') // { ok: true, value: 101.6, withUnit: true }
 * @example readTyped('0,5', 'length', 'metric') // { ok: false, problem: 'comma' }
 */
export function readTyped(
  text: string,
  kind: QuantityKind,
  set: UnitSet,
  { comma = false }: TypedOptions = {},
): TypedNumber {
  const written = text.trim().replace(/\u2212/g, '-');
  if (written === '') return { ok: false, problem: 'empty' };
  const trimmed = comma ? written.replace(/^([+-]?\d*),(\d)/, '$1.$2') : written;
  const rise = kind === 'grade' ? ONE_IN.exec(trimmed) : null;
  if (rise) return given(1 / Number(rise[1]));
  const aught = kind === 'section' ? AUGHT_AWG.exec(trimmed) : null;
  if (aught) return withUnit(1 - Number(aught[1]), 'awg', kind, set);
  if (/^[+-]?[\d\s.]*,[\d\s.,]*$/.test(trimmed) || /^[+-]?\d+,/.test(trimmed)) return { ok: false, problem: 'comma' };
  const parts = SPLIT.exec(trimmed);
  if (!parts) return { ok: false, problem: 'notANumber' };
  const number = numberOf(parts[1]!);
  if (!Number.isFinite(number)) return { ok: false, problem: 'notANumber' };
  if (parts[2]) return withUnit(number, parts[2], kind, set);
  const value = toBase(number, kind, set);
  return Number.isFinite(value) ? { ok: true, value, withUnit: false } : { ok: false, problem: 'notANumber' };
}

const given = (value: number): TypedNumber =>
  Number.isFinite(value) ? { ok: true, value, withUnit: true } : { ok: false, problem: 'notANumber' };

function numberOf(text: string): number {
  const fraction = FRACTION.exec(text);
  if (!fraction) return Number(text);
  const [, sign, whole = '0', over, under] = fraction;
  return (sign === '-' ? -1 : 1) * (Number(whole) + Number(over) / Number(under));
}

function withUnit(number: number, unit: string, kind: QuantityKind, set: UnitSet): TypedNumber {
  const read = readUnit(unit, kind, gallonOf(set));
  if (read.ok) return given(read.toBase(number));
  return read.other ? { ok: false, problem: 'otherUnit', other: read.other } : { ok: false, problem: 'unit' };
}

/** Whose gallon is meant; nobody's where litres are counted. */
function gallonOf(set: UnitSet): 'uk' | 'us' | null {
  const units = unitsIn(set);
  return units === 'metric' ? null : units;
}
