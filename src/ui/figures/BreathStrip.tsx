import { useId } from 'react';
import type { Pattern } from '@/core/pattern';
import { stripOf, type Pace, type StripPiece } from '@/core/timing';

const FILL = { in: 'var(--lichen-tint)', out: 'var(--river-tint)', natural: 'var(--lichen-tint)', pumps: 'var(--river-tint)' } as const;
const EDGE = {
  in: 'var(--lichen)',
  out: 'var(--river)',
  hold: 'var(--dark-oak)',
  empty: 'var(--dark-oak)',
  pause: 'var(--soft-ink)',
  natural: 'var(--lichen)',
  pumps: 'var(--river)',
} as const;
const WORD = {
  in: 'in',
  hold: 'hold',
  out: 'out',
  empty: 'empty',
  pause: 'pause',
  pumps: 'pumps',
  natural: 'natural breath',
  recover: 'free',
  gap: '',
} as const;

interface Props {
  readonly pattern: Pattern;
  readonly pace: Pace;
  readonly width?: number;
  readonly height?: number;
  /** Counts, phases and sides in writing; a chip has none. */
  readonly labels?: boolean;
  /** What a screen reader hears; empty where the words stand beside it. */
  readonly title: string;
}

/** The breath strip: time runs across, fullness up, every count is a rung that can be counted with a finger. */
export function BreathStrip({ pattern, pace, width = 770, height = 200, labels = true, title }: Props) {
  const id = useId();
  const { pieces, length, sided } = stripOf(pattern, pace);
  const rails = labels && sided;
  const box = { left: rails ? 58 : 4, right: 8, top: rails ? 26 : 8, bottom: labels ? (rails ? 46 : 26) : 4 };
  const x = (ms: number) => box.left + ((width - box.left - box.right) * ms) / length;
  const y = (level: number) => height - box.bottom - (height - box.top - box.bottom) * level;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      {...(title ? { role: 'img', 'aria-label': title } : { 'aria-hidden': true })}
      style={{ display: 'block', maxHeight: height * 1.3 }}
    >
      <defs>
        <pattern id={`${id}hatch`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="7" height="7" fill="var(--pale-oak)" />
          <line x1="0" y1="0" x2="0" y2="7" stroke="var(--hatch)" strokeWidth="2.2" />
        </pattern>
      </defs>
      {rails && <Rails {...{ pieces, x, y, width, height, left: box.left }} />}
      {pieces.map((piece, index) => (
        <Piece key={index} piece={piece} x={x} y={y} hatch={`url(#${id}hatch)`} gaps={labels} />
      ))}
      <line x1={x(0)} x2={x(length)} y1={y(0)} y2={y(0)} stroke="var(--rule)" />
      {labels && pieces.map((piece, index) => <Label key={index} piece={piece} x={x} ground={y(0)} height={height} rails={rails} />)}
    </svg>
  );
}

interface Scale {
  readonly x: (ms: number) => number;
  readonly y: (level: number) => number;
}

function Piece({ piece, x, y, hatch, gaps }: Scale & { piece: StripPiece; hatch: string; gaps: boolean }) {
  const { kind, rungs, from, to, open } = piece;
  if (kind === 'gap' || kind === 'recover')
    return (
      <line x1={x(from)} x2={x(to)} y1={y(0.02)} y2={y(0.02)} stroke="var(--soft-ink)" strokeDasharray="1 6" strokeWidth="2" strokeLinecap="round" />
    );
  if (kind === 'empty' || (kind === 'pause' && (rungs[0]?.level ?? 0) < 0.05)) {
    return (
      <line
        x1={x(from) + 2}
        x2={x(to) - 2}
        y1={y(0) - 2}
        y2={y(0) - 2}
        stroke={EDGE[kind]}
        strokeWidth={kind === 'empty' ? 4 : 2.5}
        strokeDasharray="1 7"
        strokeLinecap="round"
      />
    );
  }
  const fill = kind === 'hold' || kind === 'pause' ? hatch : FILL[kind];
  if (!gaps && !open) {
    // A chip has dozens of rungs and a page dozens of chips: two paths a piece draw the same as two rectangles a rung.
    const [ground, end] = [y(0).toFixed(1), (at: number) => (x(at) - 0.6).toFixed(1)];
    const standing = rungs.map(({ from, to, level }) => `M${x(from).toFixed(1)} ${ground}V${y(level).toFixed(1)}H${end(to)}V${ground}Z`).join('');
    const lying = rungs.map(({ from, to, level }) => `M${x(from).toFixed(1)} ${(y(level) + 0.5).toFixed(1)}H${end(to)}`).join('');
    return (
      <>
        <path d={standing} fill={fill} />
        <path d={lying} stroke={EDGE[kind]} strokeWidth="3" />
      </>
    );
  }
  const gap = gaps ? 1.5 : 0.6;
  return (
    <g>
      {rungs.map((rung, index) => (
        <g key={rung.from} opacity={open ? Math.max(0.15, 1 - index / rungs.length) : 1}>
          <rect
            x={x(rung.from)}
            width={Math.max(0.5, x(rung.to) - x(rung.from) - gap)}
            y={y(rung.level)}
            height={Math.max(0, y(0) - y(rung.level))}
            fill={fill}
          />
          <rect
            x={x(rung.from)}
            width={Math.max(0.5, x(rung.to) - x(rung.from) - gap)}
            y={y(rung.level) - 1}
            height={gaps ? 5 : 3}
            fill={EDGE[kind]}
          />
        </g>
      ))}
    </g>
  );
}

function Label({
  piece,
  x,
  ground,
  height,
  rails,
}: {
  piece: StripPiece;
  x: (ms: number) => number;
  ground: number;
  height: number;
  rails: boolean;
}) {
  const middle = (x(piece.from) + x(piece.to)) / 2;
  const room = x(piece.to) - x(piece.from);
  if (room < 16) return null;
  return (
    <g textAnchor="middle">
      <text
        x={middle}
        y={ground - 12}
        fontFamily="var(--serif)"
        fontSize={room < 44 ? 15 : 22}
        fontWeight="600"
        fill="var(--ink)"
        style={{ fontVariantNumeric: 'lining-nums tabular-nums' }}
      >
        {piece.kind === 'gap' ? '' : piece.label}
      </text>
      {room > 26 && (
        <text x={middle} y={height - (rails ? 8 : 7)} fontSize="13" fill="var(--soft-ink)">
          {WORD[piece.kind]}
        </text>
      )}
    </g>
  );
}

/** Upper rail right, lower rail left; which one is open is drawn heavy and written. */
function Rails({ pieces, x, y, width, height, left }: Scale & { pieces: readonly StripPiece[]; width: number; height: number; left: number }) {
  const upper = y(1) - 16;
  const lower = y(0) + 9;
  return (
    <g fontSize="13.5">
      <text x={left - 12} y={upper + 5} textAnchor="end" fill="var(--soft-ink)" fontFamily="var(--serif)" fontWeight="600">
        right
      </text>
      <text x={left - 12} y={lower + 5} textAnchor="end" fill="var(--soft-ink)" fontFamily="var(--serif)" fontWeight="600">
        left
      </text>
      <line x1={left} x2={width - 8} y1={upper} y2={upper} stroke="var(--rule)" strokeWidth="2" />
      <line x1={left} x2={width - 8} y1={lower} y2={lower} stroke="var(--rule)" strokeWidth="2" />
      {pieces
        .filter(({ kind }) => kind === 'in' || kind === 'out')
        .map((piece) =>
          (['right', 'left'] as const)
            .filter((side) => piece.side === side || piece.side === 'both')
            .map((side) => {
              const at = side === 'right' ? upper : lower;
              const color = piece.kind === 'in' ? 'var(--lichen)' : 'var(--river)';
              return (
                <g key={`${piece.from}${side}`}>
                  <line x1={x(piece.from) + 1} x2={x(piece.to) - 1} y1={at} y2={at} stroke={color} strokeWidth="5" />
                  <text
                    x={(x(piece.from) + x(piece.to)) / 2}
                    y={side === 'right' ? at + 16 : Math.min(height - 22, at + 16)}
                    textAnchor="middle"
                    fontWeight="700"
                    fontFamily="var(--serif)"
                    fill={color}
                  >
                    {side === 'right' ? 'R' : 'L'}
                  </text>
                </g>
              );
            }),
        )}
    </g>
  );
}
