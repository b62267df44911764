/** What can be said about a chassis number. Only the 17-character form has rules; older forms are free text. */
export type ChassisVerdict =
  | 'checkDigitRight'
  | 'checkDigitOther'
  | 'oldForm'
  | 'tooShortFor1981'
  | 'forbiddenLetters'
  | 'empty';

const VALUES: Record<string, number> = {};
'ABCDEFGH'.split('').forEach((c, i) => {
  VALUES[c] = i + 1;
});
'JKLMN'.split('').forEach((c, i) => {
  VALUES[c] = i + 1;
});
Object.assign(VALUES, { P: 7, R: 9, S: 2, T: 3, U: 4, V: 5, W: 6, X: 7, Y: 8, Z: 9 });
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];

/** Check digit (place 9) of a 17-character number by 49 CFR 565.15: weighted sum modulo 11, ten written X. */
export function chassisCheckDigit(number17: string): string {
  let sum = 0;
  for (let i = 0; i < 17; i++) {
    const char = number17[i] ?? '0';
    sum += (VALUES[char] ?? Number(char)) * (WEIGHTS[i] ?? 0);
  }
  const digit = sum % 11;
  return digit === 10 ? 'X' : String(digit);
}

/**
 * Judges a chassis number for a model year. From 1981 on ISO 3779 asks for 17 characters without I, O, Q; regions
 * that use no check digit get `checkDigitOther`, which is a remark and not a fault.
 */
export function judgeChassisNumber(text: string, year: number): ChassisVerdict {
  const number = text.trim().toUpperCase();
  if (number === '') return 'empty';
  if (year < 1981 && number.length !== 17) return 'oldForm';
  if (number.length !== 17) return 'tooShortFor1981';
  if (!/^[A-HJ-NPR-Z0-9]{17}$/.test(number)) return year < 1981 ? 'oldForm' : 'forbiddenLetters';
  return number[8] === chassisCheckDigit(number) ? 'checkDigitRight' : 'checkDigitOther';
}
