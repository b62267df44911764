import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { back, DEEP, forth, NO_STEPS, type Steps, stepped } from './trail.ts';

/** A value with its steps, changed by the functions under test. */
class Draft {
  value = 0;
  steps: Steps<number> = NO_STEPS;
  change(to: number, run?: string) {
    this.steps = stepped(this.steps, this.value, run);
    this.value = to;
  }
  go(move: typeof back): boolean {
    const moved = move(this.steps, this.value);
    if (!moved) return false;
    this.value = moved.value;
    this.steps = moved.steps;
    return true;
  }
}

describe('steps back and forth', () => {
  test('back over two changes and forth again', () => {
    const draft = new Draft();
    draft.change(1);
    draft.change(2);
    expect([draft.go(back), draft.value]).toEqual([true, 1]);
    expect([draft.go(back), draft.value]).toEqual([true, 0]);
    expect(draft.go(back)).toBe(false);
    expect([draft.go(forth), draft.value]).toEqual([true, 1]);
    expect([draft.go(forth), draft.value]).toEqual([true, 2]);
    expect(draft.go(forth)).toBe(false);
  });
  test('a drag is one step, two drags are two, and a step between ends the run', () => {
    const draft = new Draft();
    for (const x of [1, 2, 3]) draft.change(x, 'drag 1');
    for (const x of [4, 5]) draft.change(x, 'drag 2');
    draft.go(back);
    expect(draft.value).toBe(3);
    draft.change(9, 'drag 2');
    draft.go(back);
    expect(draft.value).toBe(3);
    draft.go(back);
    expect(draft.value).toBe(0);
  });
  test('a change after going back forgets what lay ahead', () => {
    const draft = new Draft();
    draft.change(1);
    draft.change(2);
    draft.go(back);
    draft.change(7);
    expect(draft.go(forth)).toBe(false);
    draft.go(back);
    expect(draft.value).toBe(1);
  });
  test('only so many are kept', () => {
    const draft = new Draft();
    for (let i = 1; i <= DEEP + 50; i++) draft.change(i);
    let count = 0;
    while (draft.go(back)) count++;
    expect(count).toBe(DEEP);
  });
  test('back as often as changed is where it began; forth as often is where it ended', () => {
    fc.assert(
      fc.property(fc.array(fc.integer(), { minLength: 1, maxLength: 30 }), (values) => {
        const draft = new Draft();
        for (const value of values) draft.change(value);
        while (draft.go(back));
        const start = draft.value;
        while (draft.go(forth));
        return start === 0 && draft.value === values.at(-1);
      }),
    );
  });
});
