export type Mark = 'open' | 'half' | 'done' | 'waiting' | 'stop' | 'pass';

const SHAPE: Record<Mark, { colour: string; draw: React.ReactNode; say: string }> = {
  open: { colour: 'var(--soft)', draw: <circle cx="8" cy="8" r="5" fill="none" strokeWidth="2" />, say: 'open' },
  half: {
    colour: 'var(--primary)',
    draw: (
      <>
        <circle cx="8" cy="8" r="5" fill="none" strokeWidth="2" />
        <path d="M8 3a5 5 0 0 1 0 10z" fill="currentColor" stroke="none" />
      </>
    ),
    say: 'in hand',
  },
  done: {
    colour: 'var(--primary)',
    draw: <circle cx="8" cy="8" r="6" fill="currentColor" stroke="none" />,
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

/** State by shape and colour: ring open, half disc in hand, disc done, hollow square waiting, triangle stop, tick passed. */
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
