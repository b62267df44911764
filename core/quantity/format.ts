import dayjs from 'dayjs';
import utc from 'dayjs/plugin/utc.js';
import type { QuantityKind } from './kinds.ts';
import { toShown, type UnitSet, unitOf } from './units.ts';

dayjs.extend(utc);

/** Narrow no-break space, between thousands. */
const THIN = '\u202f';
/** No-break space before a unit: the shipped face sets it as thin as print does. */
const SPACE = '\u00a0';
const MS_PER_DAY = 86_400_000;

/** Groups thousands with a narrow no-break space and uses a real minus sign: 12500.4, 1 → "12 500.4". */
export function formatNumber(value: number, digits: number): string {
  const fixed = Math.abs(value).toFixed(digits);
  const [whole = '0', part] = fixed.split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, THIN);
  const negative = value < 0 && Number(fixed) !== 0;
  return `${negative ? '−' : ''}${grouped}${part ? `.${part}` : ''}`;
}

/** Day number (days since 1970-01-01, UTC) → "9 Dec"; with the year when it is not `yearNow`. */
export function formatDay(day: number, yearNow?: number): string {
  const date = dayjs.utc(day * MS_PER_DAY);
  return date.format(yearNow !== undefined && date.year() !== yearNow ? 'D MMM YYYY' : 'D MMM');
}

/** ISO date (2026-11-24) → days since 1970-01-01. NaN for text that is no date. */
export function dayNumber(iso: string): number {
  return Math.floor(Date.parse(`${iso.slice(0, 10)}T00:00:00Z`) / MS_PER_DAY);
}

/** Days since 1970-01-01 → ISO date. */
export function isoDay(day: number): string {
  return new Date(day * MS_PER_DAY).toISOString().slice(0, 10);
}

/** Decimal hours → "7 h 20". Rounded to the minute. */
export function formatHours(hours: number): string {
  const minutes = Math.round(hours * 60);
  return `${Math.floor(minutes / 60)}${SPACE}h${SPACE}${String(minutes % 60).padStart(2, '0')}`;
}

/** Hours since midnight → "07:40", "06:10 next day", "12:00, 2 days on". Rounded to the minute. */
export function formatClock(hours: number): string {
  const minutes = Math.round(hours * 60);
  const day = Math.floor(minutes / 1440);
  const at = `${String(Math.floor((minutes % 1440) / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
  return day === 0 ? at : day === 1 ? `${at} next day` : `${at}, ${day} days on`;
}

export interface FormatOptions {
  /** Decimals, when the kind's own do not suit. */
  readonly digits?: number;
  /** Put a plus sign before positive values (changes, margins). @default false */
  readonly signed?: boolean;
}

/**
 * A base value as a person of this unit set reads it: number, thin space, unit.
 * Not-finite values give "–": the caller says why in words.
 */
export function formatQuantity(base: number, kind: QuantityKind, set: UnitSet, options: FormatOptions = {}): string {
  if (!Number.isFinite(base)) return '–';
  if (kind === 'date') return formatDay(base);
  if (kind === 'clock') return formatClock(base);
  const unit = unitOf(kind, set);
  const shown = toShown(base, kind, set);
  const number = formatNumber(shown, options.digits ?? unit.digits);
  const sign = options.signed && shown > 0 ? '+' : '';
  // The sign stands before the currency: "− € 0.05".
  if (kind === 'money')
    return number.startsWith('−')
      ? `−${SPACE}${unit.symbol}${SPACE}${number.slice(1)}`
      : `${sign}${unit.symbol}${SPACE}${number}`;
  return unit.symbol ? `${sign}${number}${SPACE}${unit.symbol}` : `${sign}${number}`;
}
