import type { ReactNode } from 'react';

/** The plank beside the work. It may be longer than the screen and then scrolls by itself, by keyboard too. */
export function Plank({ children }: { children: ReactNode }) {
  return (
    <aside className="plank stack" tabIndex={0}>
      {children}
    </aside>
  );
}
