'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';

export interface Place {
  readonly href: string;
  readonly name: string;
}

/** The side rail: every place the role may open is a rung. */
export function Rail({
  places,
  studio,
  name,
  role,
  children,
}: {
  places: readonly Place[];
  studio: string;
  name: string;
  role: string;
  children: ReactNode;
}) {
  const path = usePathname();
  return (
    <nav className="rail" aria-label="Places">
      <Link className="brand" href="/">
        Oaken
        <br />
        Ladder
      </Link>
      <ul>
        {places.map(({ href, name: place }) => (
          <li key={href}>
            <Link href={href} aria-current={path.startsWith(href) ? 'page' : undefined}>
              {place}
            </Link>
          </li>
        ))}
      </ul>
      <div className="who">
        <span>{studio}</span>
        <Link href="/me" aria-current={path === '/me' ? 'page' : undefined}>
          <strong>{name}</strong>
        </Link>
        <span>{role}</span>
        <Link href="/safety">Breathing safely</Link>
        {children}
      </div>
    </nav>
  );
}
