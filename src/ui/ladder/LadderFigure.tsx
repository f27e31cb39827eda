import Link from 'next/link';
import type { Library } from '@/core/library';
import { layOut, NODE, type LaidNode } from './layout';

interface Props {
  readonly library: Pick<Library, 'techniques' | 'edges'>;
  readonly picked: string | null;
  readonly below: ReadonlySet<string>;
  readonly above: ReadonlySet<string>;
}

/** The ladder from the ground up. Picking a technique lights its way down (oak) and its way up (dashed lichen). */
export function LadderFigure({ library, picked, below, above }: Props) {
  const laid = layOut(library);
  const onWay = (id: string) => id === picked || below.has(id) || above.has(id);
  const edgeStyle = (from: string, to: string) => {
    const down = (to === picked || below.has(to)) && below.has(from);
    const up = (from === picked || above.has(from)) && above.has(to);
    if (down) return { stroke: 'var(--dark-oak)', strokeWidth: 3 };
    if (up) return { stroke: 'var(--lichen)', strokeWidth: 3, strokeDasharray: '7 5' };
    return { stroke: 'var(--oak)', strokeWidth: 1.4, opacity: picked ? 0.22 : 0.75 };
  };
  return (
    <svg
      viewBox={`0 0 ${laid.width} ${laid.height}`}
      width="100%"
      style={{ minWidth: 680, display: 'block' }}
      aria-label="The ladder of techniques, from the ground up"
      role="group"
    >
      {laid.beams.map((y) => (
        <line key={y} x1="0" x2={laid.width} y1={y} y2={y} stroke="var(--pale-oak)" strokeWidth="5" />
      ))}
      {library.edges.map(({ needs, to }) => (
        <path key={`${needs} ${to}`} d={thread(laid.byId.get(needs), laid.byId.get(to))} fill="none" {...edgeStyle(needs, to)} />
      ))}
      {laid.nodes.map(({ id, name, rung, x, y }) => (
        <Link
          key={id}
          href={id === picked ? '/ladder' : `/ladder?pick=${id}`}
          scroll={false}
          aria-current={id === picked ? 'true' : undefined}
          aria-label={`${name}, rung ${rung}`}
        >
          <g>
            <rect
              x={x - NODE.width / 2}
              y={y - NODE.height / 2}
              width={NODE.width}
              height={NODE.height}
              fill={id === picked ? 'var(--dark-oak)' : 'var(--plank)'}
              stroke={above.has(id) ? 'var(--lichen)' : picked && !onWay(id) ? 'var(--rule)' : 'var(--oak)'}
              strokeWidth={onWay(id) && picked ? 2.5 : 1.2}
            />
            {lines(name).map((line, index, all) => (
              <text
                key={line}
                x={x}
                y={y + 3.5 + (index - (all.length - 1) / 2) * 12}
                textAnchor="middle"
                fontSize="11"
                fontWeight="600"
                fill={id === picked ? 'var(--plank)' : picked && !onWay(id) ? 'var(--soft-ink)' : 'var(--ink)'}
                style={{ fontVariantNumeric: 'lining-nums' }}
              >
                {line}
              </text>
            ))}
          </g>
        </Link>
      ))}
    </svg>
  );
}

/** Names on at most three short lines. */
function lines(name: string): string[] {
  return name.split(' ').reduce<string[]>((all, word) => {
    const last = all.at(-1);
    return last !== undefined && `${last} ${word}`.length <= 13 ? [...all.slice(0, -1), `${last} ${word}`] : [...all, word];
  }, []);
}

/** From the top of what is needed to the foot of what it carries. */
function thread(from: LaidNode | undefined, to: LaidNode | undefined): string {
  if (!from || !to) return '';
  const [start, end] = [from.y - NODE.height / 2, to.y + NODE.height / 2];
  const middle = (start + end) / 2;
  return `M${from.x} ${start}C${from.x} ${middle} ${to.x} ${middle} ${to.x} ${end}`;
}
