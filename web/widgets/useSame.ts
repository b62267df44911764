import equal from 'fast-deep-equal';
import { useRef } from 'react';

/** The thing given before as long as it says the same, so that what is worked out from it need not be again. */
export function useSame<T>(value: T): T {
  const kept = useRef(value);
  if (!equal(kept.current, value)) kept.current = value;
  return kept.current;
}
