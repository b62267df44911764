// @vitest-environment happy-dom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, expect, test } from 'vitest';
import { steady } from './steady.tsx';

afterEach(cleanup);
let drawn = 0;
const Button = steady(function Button({ label, onPress }: { label: { text: string }; onPress: () => void }) {
  drawn++;
  return (
    <button type="button" onClick={onPress}>
      {label.text}
    </button>
  );
});
function Counter() {
  const [count, setCount] = useState(0);
  const [text, setText] = useState('more');
  return (
    <>
      <Button label={{ text }} onPress={() => setCount(count + 1)} />
      <output>{count}</output>
      <button type="button" onClick={() => setText('still more')}>
        rename
      </button>
    </>
  );
}

test('handlers are always the newest, and what shows the same is not drawn again', () => {
  render(<Counter />);
  const before = drawn;
  for (let i = 0; i < 3; i++) fireEvent.click(screen.getByText('more'));
  expect(screen.getByRole('status').textContent).toBe('3');
  expect(drawn).toBe(before);
  act(() => screen.getByText('rename').click());
  expect(screen.getByText('still more')).toBeTruthy();
  expect(drawn).toBe(before + 1);
});
