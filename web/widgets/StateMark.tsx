export type Mark = 'open' | 'half' | 'done' | 'waiting' | 'stop' | 'pass';

/** A bolt head seen from above. */
const BOLT_HEAD = 'M2 8l3-5.2h6L14 8l-3 5.2H5z';

const SHAPE: Record<Mark, { colour: string; draw: React.ReactNode; say: string }> = {
  open: { colour: 'var(--soft)', draw: <path d={BOLT_HEAD} fill="none" strokeWidth="1.8" />, say: 'open' },
  half: {
    colour: 'var(--primary)',
    draw: (
      <>
        <path d={BOLT_HEAD} fill="none" strokeWidth="1.8" />
        <path d="M2 8h12l-3 5.2H5z" fill="currentColor" stroke="none" />
      </>
    ),
    say: 'in hand',
  },
  done: {
    colour: 'var(--primary)',
    draw: (
      <>
        <path d={BOLT_HEAD} fill="currentColor" strokeWidth="1.8" />
        <path d="M5.2 12.6L10.8 3.4" stroke="var(--sheet)" strokeWidth="2.2" />
      </>
    ),
    say: 'done',
  },
  waiting: {
    colour: 'var(--wait)',
    draw: <rect x="3" y="3" width="10" height="10" fill="none" strokeWidth="2.4" />,
    say: 'waiting',
  },
  stop: { colour: 'var(--stop)', draw: <path d="M8 2l6.5 12h-13z" fill="currentColor" stroke="none" />, say: 'stop' },
  pass: { colour: 'var(--pass)', draw: <path d="M2.5 8.5l4 4 7-8.5" fill="none" strokeWidth="2.4" />, say: 'passed' },
};

/**
 * State by shape and colour, the trade's own: a bolt head, hollow while nothing was begun, its lower half filled in hand,
 * whole with the paint stripe of a torque mark when done; hollow square waiting, triangle stop, tick passed.
 */
export function StateMark({ mark, label }: { mark: Mark; label?: string }) {
  const { colour, draw, say } = SHAPE[mark];
  return (
    <svg
      className="mark"
      viewBox="0 0 16 16"
      role={label === '' ? 'presentation' : 'img'}
      aria-hidden={label === ''}
      aria-label={label === '' ? undefined : (label ?? say)}
      style={{ color: colour }}
      stroke="currentColor"
    >
      {draw}
    </svg>
  );
}
