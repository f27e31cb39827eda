import Link from 'next/link';
import type { Edge } from '@/core/ladder';
import type { Library } from '@/core/library';

interface Props {
  readonly library: Pick<Library, 'technique'>;
  readonly edges: readonly Edge[];
  /** Which end of each edge to name. */
  readonly end: 'needs' | 'to';
  readonly none: string;
  readonly href: (id: string) => string;
}

/** Edges of the ladder as a list: the technique at the other end, and what the step asks for. */
export function Steps({ library, edges, end, none, href }: Props) {
  if (edges.length === 0) return <p className="soft">{none}</p>;
  return (
    <ul className="plain">
      {edges.map((edge) => (
        <li key={edge[end]}>
          <Link href={href(edge[end])} scroll={false}>
            {library.technique(edge[end]).name}
          </Link>{' '}
          <span className="small soft">
            {edge.sessions} sessions, {edge.days} days
          </span>
        </li>
      ))}
    </ul>
  );
}
