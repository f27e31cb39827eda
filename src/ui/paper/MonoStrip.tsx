import type { stripOf } from '@/core/timing';

/** A breath strip in black and white: every count a step, a hold grey along the top, an empty hold dotted along the ground. */
export function MonoStrip({ strip, width = 198, height = 40 }: { strip: ReturnType<typeof stripOf>; width?: number; height?: number }) {
  const x = (ms: number) => (width * ms) / strip.length;
  const y = (level: number) => height - 2 - (height - 6) * level;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} aria-hidden style={{ display: 'block', maxWidth: '100%' }}>
      {strip.pieces.map(({ kind, from, to, rungs }, index) =>
        kind === 'empty' || kind === 'gap' || kind === 'recover' ? (
          <line
            key={index}
            x1={x(from)}
            x2={x(to)}
            y1={y(0) - 1}
            y2={y(0) - 1}
            stroke="#111"
            strokeWidth={kind === 'empty' ? 3 : 1.5}
            strokeDasharray="1.5 4"
          />
        ) : (
          <g key={index}>
            {rungs.map((rung) => (
              <g key={rung.from}>
                <rect
                  x={x(rung.from)}
                  y={y(rung.level)}
                  width={Math.max(0.2, x(rung.to) - x(rung.from) - 0.8)}
                  height={y(0) - y(rung.level)}
                  fill={kind === 'hold' || kind === 'pause' ? '#d0d0d0' : '#eee'}
                />
                <line x1={x(rung.from)} x2={x(rung.to) - 0.8} y1={y(rung.level)} y2={y(rung.level)} stroke="#111" strokeWidth="2.4" />
              </g>
            ))}
          </g>
        ),
      )}
      <line x1={0} x2={width} y1={y(0)} y2={y(0)} stroke="#999" />
    </svg>
  );
}
