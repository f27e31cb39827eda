import useMediaQuery from '@mui/material/useMediaQuery';
import type { Moment } from '@/core/cues';
import styles from './ClassScreen.module.css';

const WIDTH = 300;
const HEIGHT = 700;
const TOP = 110;
const GROUND = 650;
const LEFT = 44;
const RIGHT = 256;

/**
 * Two tall rails with rungs between. The marker climbs on the inhale, runs along the top beam in a hold, comes down on the
 * exhale and rests on the ground when empty. On one-sided work only the open side's rail is lit.
 */
export function Rails({ moment, mirror }: { moment: Moment; mirror: boolean }) {
  const { segment, over } = moment;
  // Where less motion is asked for the marker goes from count to count, or in quarters.
  const still = useMediaQuery('(prefers-reduced-motion: reduce)');
  const steps = segment.counts ?? 4;
  const through = still ? Math.min(1, (Math.floor(moment.through * steps + 1e-9) + 0.5) / steps) : moment.through;
  const counts = segment.counts && segment.kind !== 'pumps' && segment.counts <= 16 ? segment.counts : null;
  const moving = segment.kind === 'in' || segment.kind === 'out';
  const level = segment.kind === 'in' ? through : segment.kind === 'out' ? 1 - through : segment.kind === 'hold' ? 1 : 0;
  const across = segment.kind === 'hold' || segment.kind === 'empty' ? through : 0.5;
  const y = (at: number) => GROUND - (GROUND - TOP) * at;
  const lit = (side: 'left' | 'right') => !over && segment.kind !== null && (segment.side === 'both' || segment.side === side);
  const rails = [
    { name: 'L', on: lit('left'), x: mirror ? RIGHT : LEFT },
    { name: 'R', on: lit('right'), x: mirror ? LEFT : RIGHT },
  ];
  return (
    <svg className={styles.rails} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
      {rails.map(({ name, on, x }) => (
        <g key={name}>
          <rect x={x - 8} y={60} width="16" height={HEIGHT - 60} fill={on ? 'var(--lit)' : 'var(--unlit)'} />
          <text x={x} y={44} textAnchor="middle" fontSize="40" fontWeight="700" fill={on ? 'var(--lit)' : 'var(--faint)'}>
            {name}
          </text>
        </g>
      ))}
      <Beam y={y(1)} thick />
      <Beam y={y(0)} thick />
      {moving &&
        counts &&
        Array.from({ length: counts }, (_, rung) => (
          <g key={rung}>
            <Beam y={y((rung + 1) / counts)} thick={rung + 1 === counts} bright={level * counts >= rung + 1 - 1e-6} />
            <text x={LEFT - 18} y={y((rung + 1) / counts) + 9} textAnchor="end" fontSize="24" fill="var(--faint)">
              {rung + 1}
            </text>
          </g>
        ))}
      {segment.kind && segment.kind !== 'pumps' && !over && (
        <rect
          x={LEFT + 14 + (RIGHT - LEFT - 28 - MARKER[moving ? 'wide' : 'narrow']) * across}
          width={MARKER[moving ? 'wide' : 'narrow']}
          y={y(level) - 26}
          height="22"
          fill="var(--marker)"
        />
      )}
    </svg>
  );
}

const MARKER = { wide: 184, narrow: 64 } as const;

function Beam({ y, thick = false, bright = false }: { y: number; thick?: boolean; bright?: boolean }) {
  return (
    <rect x={LEFT} width={RIGHT - LEFT} y={y - (thick ? 6 : 4)} height={thick ? 12 : 8} fill={bright || thick ? 'var(--beam)' : 'var(--unlit)'} />
  );
}
