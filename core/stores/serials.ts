/** How a numbered thing came to the workshop. */
export const SERIAL_ORIGINS = ['delivery', 'donor', 'made', 'unknown'] as const;
export type SerialOrigin = (typeof SERIAL_ORIGINS)[number];

/** Numbers as somebody typed or scanned them, one a line or parted by commas; blanks are left out. */
export const serialsIn = (text: string): string[] =>
  text
    .split(/[\n,;\t]+/)
    .map((one) => one.trim())
    .filter((one) => one !== '');

/** Numbers that stand more than once in a list; capitals do not tell numbers apart. */
export function serialsTwice(serials: readonly string[]): string[] {
  const seen = new Set<string>();
  const twice = new Set<string>();
  for (const serial of serials) {
    const key = serial.toLowerCase();
    if (seen.has(key)) twice.add(serial);
    seen.add(key);
  }
  return [...twice];
}
