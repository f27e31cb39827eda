'use client';

import { ThemeProvider } from '@mui/material/styles';
import { SnackbarProvider } from 'notistack';
import type { ReactNode } from 'react';
import { theme } from './theme';

/** The theme and the place where short notices appear. */
export function Look({ children }: { children: ReactNode }) {
  return (
    <ThemeProvider theme={theme} storageManager={null}>
      <SnackbarProvider maxSnack={2} autoHideDuration={5000} anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}>
        {children}
      </SnackbarProvider>
    </ThemeProvider>
  );
}
