import { describe, expect, test } from 'vitest';
import { sharing } from './together.ts';

/** Work whose end is ours to say. */
function works() {
  const open: { answer: (value: number) => void; fail: (error: Error) => void }[] = [];
  return {
    open,
    work: () => new Promise<number>((answer, fail) => open.push({ answer, fail })),
  };
}
const pause = () => new Promise((done) => setTimeout(done));

describe('those who ask at the same moment share an answer', () => {
  test('but never one that was begun before they asked', async () => {
    const shared = sharing();
    const { open, work } = works();
    const first = shared('a', work);
    const second = shared('a', work);
    const third = shared('a', work);
    expect(open).toHaveLength(1);
    open[0]!.answer(1);
    expect(await first).toBe(1);
    await pause();
    expect(open).toHaveLength(2);
    const fourth = shared('a', work);
    open[1]!.answer(2);
    expect([await second, await third]).toEqual([2, 2]);
    await pause();
    expect(open).toHaveLength(3);
    open[2]!.answer(3);
    expect(await fourth).toBe(3);
  });
  test('a failure is told to those who share it, and the next begins afresh', async () => {
    const shared = sharing();
    const { open, work } = works();
    const first = shared('a', work);
    const second = shared('a', work);
    open[0]!.fail(new Error('cut'));
    await expect(first).rejects.toThrow('cut');
    await pause();
    open[1]!.answer(7);
    expect(await second).toBe(7);
    const third = shared('a', work);
    expect(open).toHaveLength(3);
    open[2]!.answer(8);
    expect(await third).toBe(8);
  });
  test('different things are asked for apart', async () => {
    const shared = sharing();
    const { open, work } = works();
    const both = [shared('a', work), shared('b', work)];
    expect(open).toHaveLength(2);
    open[0]!.answer(1);
    open[1]!.answer(2);
    expect(await Promise.all(both)).toEqual([1, 2]);
  });
});
