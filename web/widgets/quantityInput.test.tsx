// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, test, vi } from 'vitest';
import type { UnitSet } from '../../core/quantity/units.ts';
import { focusUnreadable } from './unreadable.ts';

let unitSet: UnitSet = 'metric';
vi.mock('../data/session.tsx', () => ({ useUnitSet: () => unitSet, useDecimalComma: () => null }));
const { QuantityInput } = await import('./QuantityInput.tsx');

afterEach(() => {
  cleanup();
  unitSet = 'metric';
});

const told: (number | null)[] = [];
function Form({ start = 100 as number | null, mayBeEmpty = false, kind = 'speed' as const }) {
  const [value, setValue] = useState<number | null>(start);
  const [other, setOther] = useState(0);
  return (
    <form data-form>
      <QuantityInput
        label="Speed"
        kind={kind}
        value={value}
        mayBeEmpty={mayBeEmpty}
        onChange={(next) => {
          told.push(next);
          setValue(next);
        }}
      />
      <output>{String(value)}</output>
      <button type="button" onClick={() => setValue(42)}>
        from outside
      </button>
      <button type="button" onClick={() => setOther(other + 1)}>
        something else
      </button>
    </form>
  );
}
const field = () => screen.getByLabelText<HTMLInputElement>('Speed');
const type = (text: string) => fireEvent.change(field(), { target: { value: text } });

describe('a number in the person’s unit', () => {
  test('is shown in it and told in the base unit', () => {
    unitSet = 'uk';
    render(<Form start={80.4672} />);
    expect(field().value).toBe('50');
    type('60');
    expect(Number(screen.getByRole('status').textContent)).toBeCloseTo(96.56064, 8);
  });
  test('what was typed stays as it was typed, whatever it comes to', () => {
    render(<Form />);
    type('55.00');
    expect(field().value).toBe('55.00');
    fireEvent.click(screen.getByText('something else'));
    expect(field().value).toBe('55.00');
  });
  test('a value from outside replaces the text', () => {
    render(<Form />);
    type('7');
    fireEvent.click(screen.getByText('from outside'));
    expect(field().value).toBe('42');
  });
  test('another unit set shows the same value anew', () => {
    const { rerender } = render(<Form start={100} />);
    unitSet = 'us';
    rerender(<Form start={100} mayBeEmpty />);
    expect(field().value).toBe('62.14');
  });
});

describe('a unit written with it', () => {
  test('is understood, and what was understood is shown at once', () => {
    render(<Form />);
    type('60 mph');
    expect(field().value).toBe('60 mph');
    expect(told.at(-1)).toBeCloseTo(96.56064, 8);
    expect(screen.getByText(/^= 96\.6\skm\/h$/)).toBeTruthy();
    type('90');
    expect(screen.queryByText(/^=/)).toBeNull();
  });
  test('of something else is refused with what it is', () => {
    render(<Form />);
    type('60 kW');
    expect(screen.getByText('That is a power; here km/h is wanted.')).toBeTruthy();
  });
});

describe('text that cannot be read', () => {
  test.each(['0,41', 'fast', '5 kg', '--'])('“%s” is never answered with the value before', (text) => {
    render(<Form />);
    told.length = 0;
    type(text);
    expect(told).toEqual([]);
    expect(field().value).toBe(text);
    expect(field().getAttribute('aria-invalid')).toBe('true');
    expect(field().getAttribute('aria-describedby')).toBeTruthy();
    field().blur();
    expect(focusUnreadable(screen.getByText('from outside'))).toBe(field());
    expect(document.activeElement).toBe(field());
  });
  test('mended, the form has nothing left to focus', () => {
    render(<Form />);
    type('0,41');
    type('0.41');
    expect(focusUnreadable(field())).toBeNull();
    expect(screen.getByRole('status').textContent).toBe('0.41');
  });
  test('an empty field is told as nothing, not as the value before', () => {
    render(<Form mayBeEmpty />);
    type('');
    expect(screen.getByRole('status').textContent).toBe('null');
    expect(field().getAttribute('aria-invalid')).toBeNull();
  });
});
