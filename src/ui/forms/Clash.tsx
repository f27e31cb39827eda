'use client';

import Button from '@mui/material/Button';
import type { ReactNode } from 'react';

interface Props {
  /** What somebody else saved meanwhile, in words, beside what is here. */
  readonly differs: readonly string[];
  readonly onTheirs: () => void;
  readonly onMine: () => void;
  /** Both versions side by side, where they can be shown so. */
  readonly children?: ReactNode;
}

/** Two people saved the same thing: both versions are here, and one of them is taken. */
export function Clash({ differs, onTheirs, onMine, children }: Props) {
  return (
    <section className="note bad stack" role="alert" aria-label="Somebody else saved this meanwhile">
      <p>
        <strong>Somebody else saved this meanwhile.</strong> Yours is still here, and nothing of theirs is lost.
      </p>
      {differs.length === 0 ? (
        <p className="small">Theirs says the same as yours.</p>
      ) : (
        <>
          <p className="small">What theirs has otherwise:</p>
          <ul className="small">
            {differs.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </>
      )}
      <div className="row">
        <Button onClick={onTheirs}>Take theirs</Button>
        <Button variant="contained" onClick={onMine}>
          Keep mine
        </Button>
      </div>
      {children}
    </section>
  );
}
