import { type ReactNode, startTransition, useCallback, useEffect, useMemo, useState } from 'react';
import useSWR from 'swr';
import { ask } from './client.ts';

interface Page<R> {
  readonly rows: readonly R[];
  readonly count: number;
}

export interface Pages<R, A extends Page<R>> {
  /** What the first page says of the whole; undefined until it is there. */
  readonly first: A | undefined;
  readonly error: Error | undefined;
  /** The row at a place of the whole list; null while its page is on the way. */
  readonly at: (index: number) => R | null;
  /** Says that this row is in sight, so that its page is asked for. */
  readonly want: (index: number) => void;
  /** Goes somewhere into the page: asks for what is wanted. */
  readonly loaders: ReactNode;
}

/** So many pages are kept up to date; what was in sight longer ago is asked for again when it comes back. */
const MOST_PAGES = 6;

/**
 * A long list of the server, a page at a time: those in sight are asked for and follow what happens.
 *
 * @param pathOf address of a page, by its number
 */
export function usePages<R, A extends Page<R>>(pathOf: (page: number) => string, size: number): Pages<R, A> {
  const [wanted, setWanted] = useState<readonly number[]>([0]);
  const [pages, setPages] = useState<ReadonlyMap<string, A>>(new Map());
  const { data: first, error } = useSWR<A, Error>(pathOf(0), ask, { keepPreviousData: true });
  const take = useCallback(
    // Drawn in slices: whoever scrolls must not feel a page come.
    (path: string, page: A) =>
      startTransition(() => setPages((now) => (now.get(path) === page ? now : new Map(now).set(path, page)))),
    [],
  );
  const want = useCallback(
    (index: number) => {
      const page = Math.floor(index / size);
      startTransition(() => setWanted((now) => (now.includes(page) ? now : [...now.slice(1 - MOST_PAGES), page])));
    },
    [size],
  );
  const at = useCallback(
    (index: number): R | null => {
      const number = Math.floor(index / size);
      const page = number === 0 ? first : pages.get(pathOf(number));
      return page?.rows[index % size] ?? null;
    },
    [first, pages, pathOf, size],
  );
  const loaders = useMemo(
    () =>
      wanted
        .filter((page) => page > 0)
        .map((page) => (
          <Loader key={pathOf(page)} path={pathOf(page)} take={take as (path: string, page: unknown) => void} />
        )),
    [wanted, pathOf, take],
  );
  return { first, error, at, want, loaders };
}

function Loader({ path, take }: { path: string; take: (path: string, page: unknown) => void }) {
  const { data } = useSWR<unknown, Error>(path, ask);
  useEffect(() => {
    if (data !== undefined) take(path, data);
  }, [data, path, take]);
  return null;
}
