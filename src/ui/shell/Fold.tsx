'use client';

import Collapse from '@mui/material/Collapse';
import { useId, useState, type ReactNode } from 'react';
import styles from './Fold.module.css';

interface Props {
  readonly title: ReactNode;
  /** Said beside the title, open or not. */
  readonly aside?: ReactNode;
  readonly plain?: boolean;
  readonly onOpen?: () => void;
  readonly children: ReactNode;
}

/** Something folded away under its title. */
export function Fold({ title, aside, plain, onOpen, children }: Props) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const Heading = plain ? 'span' : 'h2';
  return (
    <div className={plain ? styles.plain : styles.fold}>
      <Heading className={styles.heading}>
        <button
          type="button"
          className={styles.title}
          aria-expanded={open}
          aria-controls={id}
          onClick={() => {
            setOpen(!open);
            if (!open) onOpen?.();
          }}
        >
          <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true" data-open={open ? '' : undefined}>
            <path d="M2 3.5h8M2 8.5h8" stroke="currentColor" strokeWidth="2" fill="none" />
            {!open && <path d="M6 3.5v5" stroke="currentColor" strokeWidth="2" />}
          </svg>
          {title}
        </button>
        {aside && <span className="soft small"> {aside}</span>}
      </Heading>
      <Collapse in={open} id={id} timeout={120} unmountOnExit>
        <div className={styles.inside}>{children}</div>
      </Collapse>
    </div>
  );
}
