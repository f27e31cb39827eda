'use client';

import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { libraryOf, SHIPPED_LIBRARY, type Library, type OwnEntry } from '@/core/library';
import type { IsoDate } from '@/core/units';

interface Inside {
  readonly library: Library;
  /** The day it is in the studio's zone. */
  readonly today: IsoDate;
}

const Context = createContext<Inside | null>(null);

/** What every page inside the studio knows: everything it can teach, and the day it is there. */
export function InsideStudio({ own, today, children }: { own: readonly OwnEntry[]; today: IsoDate; children: ReactNode }) {
  const value = useMemo(() => ({ library: own.length === 0 ? SHIPPED_LIBRARY : libraryOf(own), today }), [own, today]);
  return <Context value={value}>{children}</Context>;
}

function useInside(): Inside {
  const inside = useContext(Context);
  if (!inside) throw new Error('This stands inside a studio’s pages only');
  return inside;
}

export const useLibrary = (): Library => useInside().library;
export const useToday = (): IsoDate => useInside().today;
