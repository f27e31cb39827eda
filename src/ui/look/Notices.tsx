'use client';

import Snackbar from '@mui/material/Snackbar';
import { createContext, useContext, useState, type ReactNode } from 'react';

const Say = createContext<(text: string) => void>(() => undefined);

/** Says something short that nobody has to answer. */
export function useNotice(): (text: string) => void {
  return useContext(Say);
}

/** The place where short notices appear, one at a time. */
export function Notices({ children }: { children: ReactNode }) {
  const [text, setText] = useState<string | null>(null);
  return (
    <Say value={setText}>
      {children}
      <Snackbar
        anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
        open={text !== null}
        message={text}
        autoHideDuration={6000}
        onClose={(_, reason) => reason !== 'clickaway' && setText(null)}
      />
    </Say>
  );
}
