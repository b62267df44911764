import { useCallback, useEffect, useState } from 'react';

/** Reads a kept draft; anything unreadable counts as none. */
function read<T>(key: string): T | null {
  try {
    const text = localStorage.getItem(key);
    return text ? (JSON.parse(text) as T) : null;
  } catch {
    return null;
  }
}

/**
 * What a person has typed and not saved yet, kept in the browser under a key until it is saved or dropped: it outlives
 * leaving the page, a reload and an expired session.
 */
export function useDraft<T>(key: string): [T | null, (draft: T | null) => void] {
  const [held, setHeld] = useState<{ key: string; draft: T | null }>(() => ({ key, draft: read<T>(key) }));
  const current = held.key === key ? held.draft : read<T>(key);
  useEffect(() => {
    setHeld({ key, draft: read<T>(key) });
  }, [key]);
  const set = useCallback(
    (draft: T | null) => {
      setHeld({ key, draft });
      if (draft === null) localStorage.removeItem(key);
      else localStorage.setItem(key, JSON.stringify(draft));
    },
    [key],
  );
  return [current, set];
}
