'use client';

import { createContext, useContext, useEffect, useMemo, type ReactNode } from 'react';
import { libraryOf, SHIPPED_LIBRARY, type Library, type OwnEntry } from '@/core/library';
import type { IsoDate } from '@/core/units';
import { ownDevice, stillSignedIn, type Owner } from '../device';

interface Inside {
  readonly library: Library;
  /** The day it is in the studio's zone. */
  readonly today: IsoDate;
  /** Who is signed in, as far as their device has to know. */
  readonly owner: Owner;
}

const Context = createContext<Inside | null>(null);

/** What every page inside the studio knows: everything it can teach, and the day it is there. */
export function InsideStudio({ own, today, owner, children }: Omit<Inside, 'library'> & { own: readonly OwnEntry[]; children: ReactNode }) {
  // Before anything below asks what the device kept.
  if (typeof window !== 'undefined') ownDevice(owner);
  useEffect(() => void stillSignedIn().catch(() => undefined), []);
  const value = useMemo(() => ({ library: own.length === 0 ? SHIPPED_LIBRARY : libraryOf(own), today, owner }), [own, today, owner]);
  return <Context value={value}>{children}</Context>;
}

function useInside(): Inside {
  const inside = useContext(Context);
  if (!inside) throw new Error('This stands inside a studio’s pages only');
  return inside;
}

export const useLibrary = (): Library => useInside().library;
export const useToday = (): IsoDate => useInside().today;
