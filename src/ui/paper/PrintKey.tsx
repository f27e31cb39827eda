'use client';

import Button from '@mui/material/Button';

/** Prints this sheet. */
export function PrintKey() {
  return (
    <Button variant="contained" onClick={() => print()}>
      Print
    </Button>
  );
}
