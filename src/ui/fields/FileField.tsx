'use client';

import Button from '@mui/material/Button';
import { useEffect, useEffectEvent, useId, useRef, useState } from 'react';

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
  const input = useRef<HTMLInputElement>(null);
  const [name, setName] = useState<string | null>(null);
  const take = (target: HTMLInputElement) => {
    const file = target.files?.[0];
    if (!file) return;
    setName(file.name);
    onChange(file);
    // The same file may be chosen again once it is mended.
    target.value = '';
  };
  const takeChosen = useEffectEvent(() => {
    if (input.current) take(input.current);
  });
  // What was chosen before the page was awake is taken then.
  useEffect(() => takeChosen(), []);
  return (
    <span className="row" style={{ gap: 10 }}>
      <Button component="label" htmlFor={id} disabled={disabled}>
        {label}
      </Button>
      <input id={id} type="file" className="sr" accept={accept} disabled={disabled} ref={input} onChange={({ target }) => take(target)} />
      {name && <span className="small soft">{name}</span>}
    </span>
  );
}
