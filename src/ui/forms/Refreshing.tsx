'use client';

import { useRouter } from 'next/navigation';
import { createContext, useCallback, useContext, useMemo, useTransition, type ReactNode } from 'react';

interface Refreshing {
  /** Until the page shows what was done last. */
  readonly refreshing: boolean;
  readonly refresh: () => void;
}

const Context = createContext<Refreshing>({ refreshing: false, refresh: () => undefined });

/** One refresh for the whole page: nothing is sent, from whichever form, while the page does not yet show what was done last. */
export function RefreshedPage({ children }: { children: ReactNode }) {
  const router = useRouter();
  const [refreshing, begin] = useTransition();
  const refresh = useCallback(() => begin(() => router.refresh()), [router]);
  const value = useMemo(() => ({ refreshing, refresh }), [refreshing, refresh]);
  return <Context value={value}>{children}</Context>;
}

export const useRefreshing = (): Refreshing => useContext(Context);
