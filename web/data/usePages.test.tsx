// @vitest-environment happy-dom
import { act, cleanup, render, waitFor } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { usePages } from './usePages.tsx';

interface Row {
  readonly n: number;
}
interface Page {
  readonly rows: readonly Row[];
  readonly count: number;
}

const SIZE = 10;
const COUNT = 95;
let asked: string[] = [];
vi.mock('./client.ts', () => ({
  ask: async (path: string): Promise<Page> => {
    asked.push(path);
    const page = Number(path.split('/').at(-1));
    const from = page * SIZE;
    return { count: COUNT, rows: Array.from({ length: Math.min(SIZE, COUNT - from) }, (_, i) => ({ n: from + i })) };
  },
}));
const pathOf = (page: number) => `/list/${page}`;

let pages: ReturnType<typeof usePages<Row, Page>>;
function List() {
  pages = usePages<Row, Page>(pathOf, SIZE);
  return <>{pages.loaders}</>;
}
const show = () =>
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <List />
    </SWRConfig>,
  );
afterEach(() => {
  cleanup();
  asked = [];
});

describe('a long list a page at a time', () => {
  test('asks for the first page alone until something else is in sight', async () => {
    show();
    await waitFor(() => expect(pages.first?.count).toBe(COUNT));
    expect(asked).toEqual(['/list/0']);
    expect([pages.at(3), pages.at(40)]).toEqual([{ n: 3 }, null]);
  });
  test('what is in sight comes, once, however often it is wanted', async () => {
    show();
    await waitFor(() => expect(pages.first).toBeDefined());
    act(() => {
      for (let i = 40; i < 50; i++) pages.want(i);
    });
    await waitFor(() => expect(pages.at(44)).toEqual({ n: 44 }));
    act(() => pages.want(41));
    expect(asked).toEqual(['/list/0', '/list/4']);
    expect(pages.at(94)).toBeNull();
  });
  test('scrolled from end to end every row has been there', async () => {
    show();
    await waitFor(() => expect(pages.first).toBeDefined());
    for (let i = 0; i < COUNT; i += 5) {
      act(() => pages.want(i));
      await waitFor(() => expect(pages.at(i)).toEqual({ n: i }));
    }
    expect(new Set(asked).size).toBe(10);
  });
});
