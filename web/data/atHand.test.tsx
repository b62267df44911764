// @vitest-environment happy-dom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { mutate, SWRConfig } from 'swr';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { LibraryComponent, LibraryData } from '../../contract/library.ts';
import { shelves } from '../testing/shelves.ts';

/** What was asked for, and what the server would answer. */
const asked: string[] = [];
const answers = new Map<string, unknown>();
vi.mock('./client.ts', () => ({
  ask: async (path: string) => {
    asked.push(path);
    if (!answers.has(path)) throw new Error(`nothing at ${path}`);
    return answers.get(path);
  },
}));
const { bringToHand, keys, useAtHand, useLibrary } = await import('./resources.ts');

const { data } = shelves();
const far = (id: string) => ({ ...data.components[0]!, id, name: `Far ${id}` }) as LibraryComponent;
const variant = (id: string) => ({ ...data.variants[0]!, id });
const library = (change: Partial<LibraryData> = {}): LibraryData => ({ ...data, ...change });
/** Each test asks as a page that is opened anew. */
const Fresh = ({ children }: { children: ReactNode }) => (
  <SWRConfig value={{ dedupingInterval: 0 }}>{children}</SWRConfig>
);
/** The library with what names it, as a place has both. */
const place = (naming: { variants?: string[]; components?: string[] }) =>
  renderHook(
    () => {
      const { shelves: found } = useLibrary();
      return { found, asking: useAtHand(naming, found) };
    },
    { wrapper: Fresh },
  );
const timesAsked = (path: string) => asked.filter((one) => one === path).length;

beforeEach(async () => {
  asked.length = 0;
  answers.clear();
  answers.set(keys.library, library());
  await mutate(keys.library, undefined, { revalidate: false });
  // What the last test asked for is out of the way.
  await new Promise((done) => setTimeout(done, 20));
});
afterEach(cleanup);

describe('what is named beyond what is at hand', () => {
  test('a component is asked for by itself, once, and is there', async () => {
    answers.set('/components/far-1', far('far-1'));
    const { result, rerender } = place({ components: ['far-1', data.components[0]!.id] });
    await waitFor(() => expect(result.current.found?.components.get('far-1')?.name).toBe('Far far-1'));
    rerender();
    expect(timesAsked('/components/far-1')).toBe(1);
    expect(asked).not.toContain(`/components/${data.components[0]!.id}`);
  });
  test('it stays at hand when the library is asked for anew', async () => {
    answers.set('/components/far-2', far('far-2'));
    const { result } = place({ components: ['far-2'] });
    await waitFor(() => expect(result.current.found?.components.has('far-2')).toBe(true));
    // Somebody has changed it since: with the library anew it is as it is now.
    answers.set('/components/far-2', { ...far('far-2'), massKg: 77 });
    await act(() => mutate(keys.library));
    expect(timesAsked(keys.library)).toBeGreaterThan(1);
    expect(result.current.found?.components.get('far-2')?.massKg).toBe(77);
    // And while it cannot be had it stays as it was known.
    answers.delete('/components/far-2');
    await act(() => mutate(keys.library));
    expect(result.current.found?.components.get('far-2')?.massKg).toBe(77);
  });
  test('one that the library has by then counts as the library says', async () => {
    answers.set('/components/far-3', far('far-3'));
    const { result } = place({});
    await waitFor(() => expect(result.current.found).not.toBeNull());
    await act(() => bringToHand('far-3'));
    expect(result.current.found?.free.get('far-3')).toBe(far('far-3').free);
    answers.set(keys.library, library({ components: [...data.components, { ...far('far-3'), free: 7 }] }));
    await act(() => mutate(keys.library));
    await waitFor(() => expect(result.current.found?.free.get('far-3')).toBe(7));
    expect(result.current.found?.data.components.filter(({ id }) => id === 'far-3')).toHaveLength(1);
  });
  test('one that the catalogue no longer has stays unknown, and is not asked for without end', async () => {
    const { result, rerender } = place({ components: ['gone'] });
    await waitFor(() => expect(asked).toContain('/components/gone'));
    for (let i = 0; i < 5; i++) rerender();
    expect(timesAsked('/components/gone')).toBe(1);
    expect(result.current.found?.components.has('gone')).toBe(false);
  });
  test('a variant comes with the library anew; until then it is being asked for', async () => {
    const { result } = place({ variants: ['come-since'] });
    answers.set(keys.library, library({ variants: [...data.variants, variant('come-since')] }));
    expect(result.current.found === null || result.current.asking).toBe(true);
    await waitFor(() => expect(result.current.found?.variants.has('come-since')).toBe(true));
    await waitFor(() => expect(result.current.asking).toBe(false));
  });
  test('a variant that the library does not have is asked for once, and said not to be there', async () => {
    const { result, rerender } = place({ variants: ['never-there'] });
    await waitFor(() => expect(result.current.found).not.toBeNull());
    await waitFor(() => expect(result.current.asking).toBe(false));
    const n = timesAsked(keys.library);
    for (let i = 0; i < 5; i++) rerender();
    expect(timesAsked(keys.library)).toBe(n);
    expect(result.current.found?.variants.has('never-there')).toBe(false);
  });
});
