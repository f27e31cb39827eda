import Button from '@mui/material/Button';
import { useState } from 'react';

interface Props<M> {
  readonly mends: readonly M[];
  readonly label: string;
  readonly busy: boolean;
  readonly onMend: (mend: M) => void;
}

/** So many stand there at first, the gentlest. */
const AT_FIRST = 4;

/** Changes of what was asked that make it possible, and what may be so already. Each was tried beforehand; one press takes it and drafts again. */
export function Mends<M extends { readonly text: string; readonly asks?: boolean }>({ mends, label, busy, onMend }: Props<M>) {
  const [all, setAll] = useState(false);
  const [changes, asked] = [mends.filter(({ asks }) => !asks), mends.filter(({ asks }) => asks)];
  const shown = all ? changes : changes.slice(0, AT_FIRST);
  const button = (mend: M) => (
    <Button key={mend.text} size="small" disabled={busy} onClick={() => onMend(mend)}>
      {mend.text}
    </Button>
  );
  return (
    <div role="group" aria-label={label}>
      {changes.length > 0 && (
        <div className="row" style={{ flexWrap: 'wrap' }}>
          <span className="small soft">{changes.length === 1 ? 'This would do:' : 'Any of these would do:'}</span>
          {shown.map(button)}
          {shown.length < changes.length && (
            <Button size="small" onClick={() => setAll(true)}>
              {changes.length - shown.length} more
            </Button>
          )}
        </div>
      )}
      {asked.length > 0 && (
        <div className="row" style={{ flexWrap: 'wrap' }}>
          <span className="small soft">
            {changes.length > 0 ? 'Or do' : 'Do'} they practise {asked.length === 1 ? 'this' : 'one of these'} already?
          </span>
          {asked.map(button)}
        </div>
      )}
    </div>
  );
}
