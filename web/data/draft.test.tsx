// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { useDraft } from './draft.ts';

beforeEach(() => localStorage.clear());
afterEach(cleanup);
const draftOf = (key: string) => renderHook(({ of }) => useDraft<{ text: string }>(of), { initialProps: { of: key } });

test('a draft outlives the page, and is gone when it is dropped', () => {
  const first = draftOf('a');
  act(() => first.result.current[1]({ text: 'half a sen' }));
  first.unmount();
  const second = draftOf('a');
  expect(second.result.current[0]).toEqual({ text: 'half a sen' });
  act(() => second.result.current[1](null));
  expect(draftOf('a').result.current[0]).toBeNull();
});
test('each thing has its own: going from one to another never shows the first’s draft', () => {
  const hook = draftOf('a');
  act(() => hook.result.current[1]({ text: 'for a' }));
  const seen: unknown[] = [];
  hook.rerender({ of: 'b' });
  seen.push(hook.result.current[0]);
  expect(seen).toEqual([null]);
  act(() => hook.result.current[1]({ text: 'for b' }));
  hook.rerender({ of: 'a' });
  expect(hook.result.current[0]).toEqual({ text: 'for a' });
});
test('what somebody else left there that cannot be read counts as none', () => {
  localStorage.setItem('a', '{"text":');
  expect(draftOf('a').result.current[0]).toBeNull();
});
