'use client';

import Button from '@mui/material/Button';

/** Something broke while a page was made: nothing was changed, and trying again is safe. */
export default function Broken({ reset }: { reset: () => void }) {
  return (
    <main className="stack" style={{ padding: 40 }}>
      <h1>This page broke</h1>
      <p>Something went wrong on our side. Nothing was changed.</p>
      <p>
        <Button variant="contained" onClick={reset}>
          Try again
        </Button>
      </p>
    </main>
  );
}
