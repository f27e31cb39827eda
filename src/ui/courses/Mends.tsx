import Button from '@mui/material/Button';
import type { CourseView } from '@/views/course';

interface Props {
  readonly mends: CourseView['course']['mends'];
  readonly busy: boolean;
  readonly onMend: (mend: CourseView['course']['mends'][number]) => void;
}

/** Changes of the request that make every goal possible. Each was tried beforehand; one press takes it and drafts again. */
export function Mends({ mends, busy, onMend }: Props) {
  return (
    <div className="row" role="group" aria-label="What would make every goal possible" style={{ marginBottom: 14, flexWrap: 'wrap' }}>
      <span className="small soft">Any of these would do:</span>
      {mends.map((mend) => (
        <Button key={mend.text} size="small" disabled={busy} onClick={() => onMend(mend)}>
          {mend.text}
        </Button>
      ))}
    </div>
  );
}
