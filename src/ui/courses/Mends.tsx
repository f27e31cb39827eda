import Button from '@mui/material/Button';

interface Props<M> {
  readonly mends: readonly M[];
  readonly label: string;
  readonly busy: boolean;
  readonly onMend: (mend: M) => void;
}

/** Changes of what was asked that make it possible. Each was tried beforehand; one press takes it and drafts again. */
export function Mends<M extends { readonly text: string }>({ mends, label, busy, onMend }: Props<M>) {
  return (
    <div className="row" role="group" aria-label={label} style={{ flexWrap: 'wrap' }}>
      <span className="small soft">{mends.length === 1 ? 'This would do:' : 'Any of these would do:'}</span>
      {mends.map((mend) => (
        <Button key={mend.text} size="small" disabled={busy} onClick={() => onMend(mend)}>
          {mend.text}
        </Button>
      ))}
    </div>
  );
}
