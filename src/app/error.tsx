'use client';

import Button from '@mui/material/Button';

/** Something broke while a page was made: nothing was changed, and trying again is safe. It asks the studio anew, whatever broke before. */
export default function Broken() {
  return (
    <main className="stack" style={{ padding: 40 }}>
      <h1>This page broke</h1>
      <p>Something went wrong on our side. Nothing was changed. If it goes on, the studio’s machine may be coming back just now.</p>
      <p>
        <Button variant="contained" onClick={() => location.reload()}>
          Try again
        </Button>
      </p>
    </main>
  );
}
