/** Why a typed number could not be taken. Wording is the page's business. */
export type TypedProblem = 'empty' | 'comma' | 'unit' | 'notANumber';

export type TypedNumber =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly problem: TypedProblem };

/**
 * Reads a number a person typed. Strict on purpose: a comma may mean decimals or thousands, and a unit may be
 * the wrong one, so both are sent back with their reason instead of being guessed.
 * @example readTypedNumber('66') // { ok: true, value: 66 }
 * @example readTypedNumber('0,5') // { ok: false, problem: 'comma' }
 */
export function readTypedNumber(text: string): TypedNumber {
  const trimmed = text.trim().replace(/\u2212/g, '-');
  if (trimmed === '') return { ok: false, problem: 'empty' };
  if (/^[+-]?(\d+(\.\d*)?|\.\d+)$/.test(trimmed)) return { ok: true, value: Number(trimmed) };
  if (/^[+-]?[\d\s.]*,[\d\s.,]*$/.test(trimmed)) return { ok: false, problem: 'comma' };
  if (/^[+-]?\d[\d.,\s]*\s*[^\d\s.,+-].*$/.test(trimmed)) return { ok: false, problem: 'unit' };
  return { ok: false, problem: 'notANumber' };
}
