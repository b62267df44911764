/**
 * Whether two results say the same: plain objects and arrays by what is in them, everything else (functions, maps,
 * typed arrays with a route's thousands of samples) only as the very same thing. Never true of two that differ.
 */
export function alike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const shape = Object.getPrototypeOf(a);
  if (shape !== Object.getPrototypeOf(b)) return false;
  if (Array.isArray(a)) return a.length === (b as unknown[]).length && a.every((x, i) => alike(x, (b as unknown[])[i]));
  if (shape !== Object.prototype) return false;
  const keys = Object.keys(a);
  if (keys.length !== Object.keys(b).length) return false;
  return keys.every((key) => Object.hasOwn(b, key) && alike(a[key as never], b[key as never]));
}
