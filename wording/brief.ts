import type { LineJudgement } from '../core/brief/judgeLine.ts';
import { BRIEF_KINDS, type BriefKind, type BriefLine, briefKind } from '../core/brief/lines.ts';
import { formatHours, formatQuantity } from '../core/quantity/format.ts';
import type { UnitSet } from '../core/quantity/units.ts';
import { reasonText } from './figures.ts';

export const BRIEF_NAME = Object.fromEntries(
  Object.entries(BRIEF_KINDS).map(([kind, { name }]) => [kind, name]),
) as Readonly<Record<BriefKind, string>>;

export const LINE_STATE_NAME: Record<LineJudgement['state'], string> = {
  met: 'met',
  broken: 'not met',
  unknown: 'not known yet',
  open: 'open',
};

export const SCHOOL_NAME = { equal: 'equal shares', original: 'as the maker had it' } as const;

/** A figure of a brief line as a person reads it: charge times in hours and minutes, the rest with its unit. */
export function briefFigure(kind: BriefKind, value: number, set: UnitSet): string {
  const quantity = BRIEF_KINDS[kind].kind;
  if (quantity === 'hours') return formatHours(value);
  return formatQuantity(value, quantity, set);
}

/** What the line asks for, in words: "at least 120 km", "by 16 Dec". */
export function wanted(line: BriefLine, target: number | null, set: UnitSet): string {
  if (line.kind === 'free') return '';
  const { compare, figure, look } = briefKind(line.kind);
  if (figure === null) {
    if (line.done) return `seen: ${line.seen ?? ''}`;
    return compare === 'cover'
      ? 'by the cover of functions'
      : compare === 'drive'
        ? 'by the drive of the design'
        : (look ?? '');
  }
  if (line.kind === 'reversible') return 'nothing drilled, nothing cut';
  if (target === null) return 'no figure to compare with yet';
  const amount = briefFigure(line.kind, target, set);
  if (line.kind === 'axleShare') {
    const within = formatQuantity(line.tolerance ?? 0, 'share', set);
    return `${SCHOOL_NAME[line.school ?? 'original']}: ${amount} ± ${within}`;
  }
  if (line.kind === 'readyBy') return `wanted by ${amount}`;
  return BRIEF_KINDS[line.kind].compare === 'atLeast' ? `wanted at least ${amount}` : `at most ${amount}`;
}

/** How far it is met or missed: "51 km to spare", "12 kg over". Empty where there is nothing to compare. */
export function byHowMuch({ line, margin, state }: LineJudgement, set: UnitSet): string {
  if (margin === null || line.kind === 'reversible') return '';
  const { kind, compare } = BRIEF_KINDS[line.kind];
  const size = Math.abs(margin);
  if (kind === 'date') {
    const days = `${size.toFixed(0)} ${size === 1 ? 'day' : 'days'}`;
    return state === 'broken' ? `${days} late` : `${days} in hand`;
  }
  const amount = kind === 'hours' ? formatHours(size) : formatQuantity(size, kind, set);
  if (state !== 'broken') return `${amount} to spare`;
  return compare === 'atLeast' ? `${amount} short` : `${amount} over`;
}

/** A line without figure, in a word. */
const LINE_WORD: Record<LineJudgement['state'], string> = {
  met: 'yes',
  broken: 'no',
  unknown: 'no kit yet',
  open: 'to be seen',
};

/** Right-hand figure of a line: value, or why there is none. */
export function nowText(judged: LineJudgement, set: UnitSet): string {
  const { line, value, reason, state } = judged;
  if (line.kind === 'free') return state === 'met' ? 'done' : 'open';
  if (briefKind(line.kind).figure === null) return LINE_WORD[state];
  if (value === null) return reason ? reasonText(judged, set) : 'measure';
  return briefFigure(line.kind, value, set);
}
