'use client';

import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import styles from './WordChoice.module.css';

interface Props {
  /** What is chosen, as it stands in the line. */
  readonly text: string;
  /** What is said to a screen reader: "Seat of Equal 4:4". */
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string; readonly chosen: boolean }[];
  readonly onChoose: (value: string) => void;
  /** Several can be chosen: the list stays open. */
  readonly several?: boolean;
  readonly editable: boolean;
}

/** A word in a line of text that can be chosen otherwise. */
export function WordChoice({ text, label, options, onChoose, several = false, editable }: Props) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  if (!editable) return <span>{text}</span>;
  const choose = (value: string) => {
    onChoose(value);
    if (!several) setAt(null);
  };
  return (
    <>
      <button
        type="button"
        className={styles.word}
        aria-haspopup="menu"
        aria-expanded={at !== null}
        aria-label={`${label}: ${text}`}
        onClick={(event) => setAt(event.currentTarget)}
      >
        {text}
      </button>
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)} slotProps={{ list: { 'aria-label': label, dense: true } }}>
        {options.map(({ value, label: name, chosen }) => (
          <MenuItem
            key={value}
            role={several ? 'menuitemcheckbox' : 'menuitemradio'}
            aria-checked={chosen}
            selected={chosen}
            onClick={() => choose(value)}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
