import { type ReactNode, useState } from 'react';

/** Something folded away under a line that says what it is; it is made when it is opened. */
export function Fold({ title, children }: { title: ReactNode; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>{title}</summary>
      {open && children}
    </details>
  );
}
