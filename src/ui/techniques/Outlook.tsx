import type { OutlookLine } from '@/core/screening';
import { Mark } from '../figures/Mark';

/** What the rulebook says of a technique, for whom. */
export function Outlook({ lines }: { lines: readonly OutlookLine[] }) {
  if (lines.length === 0) return <p className="soft">Nothing in the rulebook speaks against it for anyone.</p>;
  return (
    <ul className="plain">
      {lines.map(({ answer, change, conditions }) => (
        <li key={answer + change} style={{ display: 'flex', gap: 10, padding: '3px 0', alignItems: 'baseline' }}>
          <Mark answer={answer} size={28} />
          <span>
            <strong>{change ?? answer}</strong> <span className="soft">{answer === 'adapt' ? 'for' : 'with'}</span> {conditions.join(', ')}
          </span>
        </li>
      ))}
    </ul>
  );
}
