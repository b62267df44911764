import type { FigureSheet, Result } from '../figures/evaluate.ts';
import { CANNOT, type MissingReason } from '../figures/figure.ts';
import { FIGURES } from '../figures/index.ts';
import type { CoverLine } from '../fit/cover.ts';
import type { VehicleFigureId } from '../vehicle/vehicleFigures.ts';
import { type BriefLine, briefKind } from './lines.ts';

export type LineState = 'met' | 'broken' | 'unknown' | 'open';

/** A brief line held against the present figures. Values in the base unit of the line's kind. */
export interface LineJudgement {
  readonly line: BriefLine;
  readonly state: LineState;
  readonly value: number | null;
  readonly target: number | null;
  /** How far on the good side (positive) or short (negative); null where nothing can be compared. */
  readonly margin: number | null;
  readonly reason: MissingReason | null;
  readonly reasonAt?: Result['reasonAt'];
  readonly unmeasured: readonly VehicleFigureId[];
}

/** What decides lines that no figure does. */
export interface KnownBeside {
  /** How each function is covered; null while the job has no kit. */
  readonly cover: readonly CoverLine[] | null;
}
const NOTHING_KNOWN: KnownBeside = { cover: null };

/** What Dajo knows of a line without figure; null where only a person can tell. */
function decided(line: BriefLine, sheet: FigureSheet, { cover }: KnownBeside): LineState | null {
  const { compare, cover: wanted } = briefKind(line.kind);
  if (compare === 'drive') {
    const { unit } = sheet.slots.drive;
    return unit === null ? 'unknown' : unit.sheet.output === 'gearboxInput' ? 'met' : 'broken';
  }
  if (compare !== 'cover') return null;
  if (cover === null) return 'unknown';
  const by = cover.find((one) => one.function === wanted)?.by;
  // What is not needed was not wished for either: somebody settled it against the brief.
  return by === undefined || by === 'gap' || by === 'notNeeded' ? 'broken' : 'met';
}

/**
 * Judges one line. A missing figure is `unknown`, never met, and `broken` where the design cannot have it (cannot hold the
 * speed, is never reached); free lines
 * are `open` until a person ticks them.
 */
export function judgeLine(line: BriefLine, sheet: FigureSheet, known: KnownBeside = NOTHING_KNOWN): LineJudgement {
  const { figure, compare } = briefKind(line.kind);
  if (figure === null) {
    return {
      line,
      state: line.done ? 'met' : (decided(line, sheet, known) ?? 'open'),
      value: null,
      target: null,
      margin: null,
      reason: null,
      unmeasured: [],
    };
  }
  const result = sheet.get(FIGURES[figure]);
  const target = targetOf(line, sheet);
  const { value, reason, unmeasured } = result;
  if (value === null || target === null) {
    const { reasonAt } = result;
    return {
      line,
      state: target !== null && reason !== null && CANNOT.has(reason) ? 'broken' : 'unknown',
      value,
      target,
      margin: null,
      reason,
      ...(reasonAt ? { reasonAt } : {}),
      unmeasured,
    };
  }
  const margin =
    compare === 'atLeast'
      ? value - target
      : compare === 'share'
        ? (line.tolerance ?? 0) - Math.abs(value - target)
        : target - value;
  const state = margin >= -1e-9 ? 'met' : 'broken';
  return { line, state, value, target, margin, reason, unmeasured };
}

function targetOf(line: BriefLine, sheet: FigureSheet): number | null {
  const { compare } = briefKind(line.kind);
  if (line.kind === 'luggage') return line.amount ?? sheet.get(FIGURES.luggageBefore).value;
  if (compare === 'plate') return line.amount ?? sheet.slots.vehicle.figures.grossMass.value;
  if (compare === 'share') return line.school === 'equal' ? 0.5 : sheet.get(FIGURES.frontShareBefore).value;
  if (line.kind === 'reversible') return 0;
  return line.amount;
}

/** All lines, firm before wishes, otherwise in the client's order. */
export function judgeBrief(
  lines: readonly BriefLine[],
  sheet: FigureSheet,
  known: KnownBeside = NOTHING_KNOWN,
): LineJudgement[] {
  const firmFirst = [...lines].sort((a, b) => Number(b.firm) - Number(a.firm));
  return firmFirst.map((line) => judgeLine(line, sheet, known));
}
