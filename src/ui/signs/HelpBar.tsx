'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';

/** What called for help and nobody has answered for comes first, on every page of whoever answers. */
export function HelpBar({ standing }: { standing: number }) {
  if (usePathname() === '/signs') return null;
  return (
    <p className="note bad helpbar" role="status">
      <strong>{standing === 1 ? 'Something called for help.' : `${standing} signs called for help.`}</strong> Nobody has answered for{' '}
      {standing === 1 ? 'it' : 'them'} yet. <Link href="/signs">Ask how they are</Link>
    </p>
  );
}
