// @vitest-environment happy-dom
import { cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';

const refreshTouched = vi.fn(async () => {});
const refreshAll = vi.fn(async () => {});
vi.mock('./refresh.ts', () => ({
  refreshTouched,
  refreshAll,
  isResource: (name: string) => ['stage', 'component'].includes(name),
}));
const { useLive } = await import('./live.ts');

class Stream extends EventTarget {
  static readonly CLOSED = 2;
  static all: Stream[] = [];
  readyState = 1;
  readonly url: string;
  constructor(url: string) {
    super();
    this.url = url;
    Stream.all.push(this);
  }
  close() {
    this.readyState = Stream.CLOSED;
  }
  note(data: object) {
    this.dispatchEvent(new MessageEvent('note', { data: JSON.stringify(data) }));
  }
}

beforeEach(() => {
  Stream.all = [];
  vi.stubGlobal('EventSource', Stream);
  vi.useFakeTimers();
  refreshTouched.mockClear();
  refreshAll.mockClear();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

test('a note makes what it touches be asked for; one of no job too; an unknown one nothing', () => {
  renderHook(() => useLive());
  const [stream] = Stream.all;
  expect(stream!.url).toBe('/api/events');
  stream!.note({ resource: 'stage', job: '26-101' });
  stream!.note({ resource: 'component', job: null });
  stream!.note({ resource: 'weather', job: '26-101' });
  expect(refreshTouched.mock.calls).toEqual([
    [[{ job: '26-101', resource: 'stage' }]],
    [[{ job: null, resource: 'component' }]],
  ]);
});
test('after a cut everything is asked for', () => {
  renderHook(() => useLive());
  Stream.all[0]!.note({ resource: 'all', job: null });
  expect(refreshAll).toHaveBeenCalledOnce();
});
test('a stream that was refused is tried again; one that only stumbled mends itself; none after leaving', () => {
  const { unmount } = renderHook(() => useLive());
  const [first] = Stream.all;
  first!.dispatchEvent(new Event('error'));
  vi.advanceTimersByTime(10_000);
  expect(Stream.all).toHaveLength(1);
  first!.close();
  first!.dispatchEvent(new Event('error'));
  vi.advanceTimersByTime(10_000);
  expect(Stream.all).toHaveLength(2);
  Stream.all[1]!.close();
  Stream.all[1]!.dispatchEvent(new Event('error'));
  unmount();
  vi.advanceTimersByTime(10_000);
  expect(Stream.all).toHaveLength(2);
  expect(Stream.all.every((one) => one.readyState === Stream.CLOSED)).toBe(true);
});
