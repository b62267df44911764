import type { ReactNode } from 'react';

/** A panel with a heading and, at its right, what a person may do or should know. */
export function Panel({
  title,
  aside,
  children,
  hv,
  id,
}: {
  title: ReactNode;
  aside?: ReactNode;
  children: ReactNode;
  hv?: boolean;
  id?: string;
}) {
  return (
    <section className={hv ? 'sheet hv' : 'sheet'} id={id}>
      <header>
        <h2>{title}</h2>
        {aside !== undefined && <div className="soft small">{aside}</div>}
      </header>
      {children}
    </section>
  );
}
