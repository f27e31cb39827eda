import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import type { ClassView } from '@/views/teach';
import { AtTheDoor } from './Door';
import type { Run } from './run';
import styles from './Teach.module.css';

interface Props {
  readonly room: ClassView;
  readonly run: Run;
  readonly change: (more: Partial<Run>) => void;
  readonly onClose: () => void;
}

/** Somebody comes while the class runs: the door's questions for them, and what they do otherwise, at once. Whoever was away stands first. */
export function HereNow({ room, run, change, onClose }: Props) {
  const away = (id: string) => (run.away.includes(id) || run.late.includes(id) ? 0 : 1);
  const people = [...room.people].sort((a, b) => away(a.id) - away(b.id));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" slotProps={{ paper: { 'aria-label': 'They are here' } }}>
      <DialogContent className={`stack ${styles.panel}`}>
        <h2>They are here</h2>
        <p className="soft">Take back “not here”, and ask: {room.doorQuestions.map(({ question }) => question).join(' ')}</p>
        <ul className={`plain lines ${styles.people}`}>
          {people.map((person) => (
            <AtTheDoor key={person.id} person={person} room={room} run={run} change={change} />
          ))}
        </ul>
      </DialogContent>
      <DialogActions className={styles.leave}>
        <Button variant="contained" size="large" onClick={onClose}>
          Back to the class
        </Button>
      </DialogActions>
    </Dialog>
  );
}
