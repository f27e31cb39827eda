import Link from 'next/link';
import type { Page } from './page';

interface Props {
  readonly of: Page<unknown>;
  /** Where the list stands, with whatever else is asked of it. */
  readonly href: string;
  readonly what: string;
  /** Where two lists stand on a page: what this one's page is called in the address. */
  readonly name?: string;
}

/** The way through a long list; nothing where all of it is shown. */
export function Pages({ of: { shown, page, pages, first, of }, href, what, name = 'page' }: Props) {
  if (pages === 1) return null;
  const to = (at: number) => `${href}${href.includes('?') ? '&' : '?'}${name}=${at}`;
  return (
    <nav aria-label={`Pages of ${what}`} style={{ display: 'flex', gap: 16, margin: '14px 0' }}>
      {page > 1 && <Link href={to(page - 1)}>‹ before</Link>}
      <span className="soft">
        <span className="num">
          {first + 1}–{first + shown.length}
        </span>{' '}
        of <span className="num">{of}</span> {what}
      </span>
      {page < pages && <Link href={to(page + 1)}>after ›</Link>}
    </nav>
  );
}
