'use client';

import { ThemeProvider } from '@mui/material/styles';
import type { ReactNode } from 'react';
import { RefreshedPage } from '../forms/Refreshing';
import { Notices } from './Notices';
import { theme } from './theme';

/** The theme and the place where short notices appear. */
export function Look({ children }: { children: ReactNode }) {
  return (
    <ThemeProvider theme={theme} storageManager={null}>
      <RefreshedPage>
        <Notices>{children}</Notices>
      </RefreshedPage>
    </ThemeProvider>
  );
}
