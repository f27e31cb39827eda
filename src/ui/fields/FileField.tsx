'use client';

import Button from '@mui/material/Button';
import { useId, useState } from 'react';

interface Props {
  readonly label: string;
  /** Such as ".csv,text/csv". */
  readonly accept: string;
  readonly disabled?: boolean;
  readonly onChange: (file: File) => void;
}

/** A file from this device; its name stands beside the button. */
export function FileField({ label, accept, disabled, onChange }: Props) {
  const id = useId();
  const [name, setName] = useState<string | null>(null);
  return (
    <span className="row" style={{ gap: 10 }}>
      <Button component="label" htmlFor={id} disabled={disabled}>
        {label}
      </Button>
      <input
        id={id}
        type="file"
        className="sr"
        accept={accept}
        disabled={disabled}
        onChange={({ target }) => {
          const file = target.files?.[0];
          if (!file) return;
          setName(file.name);
          onChange(file);
          // The same file may be chosen again once it is mended.
          target.value = '';
        }}
      />
      {name && <span className="small soft">{name}</span>}
    </span>
  );
}
