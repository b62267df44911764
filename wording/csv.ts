import Papa from 'papaparse';

export type CsvValue = string | number | null | undefined;

/** Digits kept of a number that was computed: more than anybody reads, fewer than binary noise. */
const DIGITS = 7;

const cell = (value: CsvValue) =>
  typeof value === 'number' ? String(Number(value.toPrecision(DIGITS))) : (value ?? '');

/**
 * What a spreadsheet would run as a formula, in full-width signs and behind a semicolon (which many take to part cells) too;
 * a number below nothing is none. Such cells are written after an apostrophe.
 */
const FORMULA = /^(?:'*[=+@＝＋＠－\t\r]|'*;\s*[=+@＝＋＠－-]|'+-|-(?![\d.]+(?:e[-+]?\d+)?$))/;

/** A cell of a file as it was meant: without the apostrophe that keeps it from being a formula. */
export const fromCell = (cell: string): string => (/^'+(?:;\s*)?[=+@＝＋＠－\t\r-]/.test(cell) ? cell.slice(1) : cell);

/** A table as CSV (RFC 4180): comma, CRLF, quoted where needed; numbers with a point and at most seven digits, nothing as empty. */
export const toCsv = (head: readonly string[], rows: readonly (readonly CsvValue[])[]): string =>
  `${Papa.unparse([[...head], ...rows.map((row) => row.map(cell))], { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`;
